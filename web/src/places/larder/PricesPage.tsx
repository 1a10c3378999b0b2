import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, kept, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { dayMonth, money, number, typedNumber } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { FileIn } from './FileIn';

type Page = Schemas['PricePage'];

const blank = { food: '', pack: '', price: '', shop: '' };

/** What things cost, typed or from a file: Shop adds it up, and a search can look for a cheap week. */
export function PricesPage() {
  const prices = useQuery({ queryKey: ['larder', 'prices'], queryFn: () => take(api.GET('/api/larder/prices')) });
  return (
    <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_18rem]">
      <section>
        <NotePrice shops={prices.data?.shops ?? []} />
        <Asked of={prices}>{(page) => <Noted page={page} />}</Asked>
      </section>
      <aside className="text-sm">
        <h2 className="mb-1 text-lg">A price file</h2>
        <p className="mb-2">
          CSV with the columns food, pack, price and, where it matters, shop. A food is called as it is here; a pack is what is bought for
          the price: 500 g, 12, 1 bunch; per kg is the price of what is sold by weight.
        </p>
        <FileIn
          send={(file, apply, _, stop) =>
            take(
              api.POST('/api/larder/prices/import', {
                params: { query: { apply } },
                body: file as never,
                bodySerializer: (body) => body,
                headers: { 'Content-Type': 'text/csv' },
                signal: stop,
              }),
            )
          }
          say={(report) => `${number(report.added, 0)} prices came in, ${number(report.changed, 0)} changed.`}
        />
        <h3 className="mt-5 mb-1 text-base">Take them out</h3>
        <a
          href="/api/larder/prices.csv"
          download
          className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 font-semibold hover:border-rim"
        >
          Save the file
        </a>
      </aside>
    </div>
  );
}

function NotePrice({ shops }: { shops: string[] }) {
  const [asked] = useSearchParams();
  const [typed, setTyped] = useState({ ...blank, food: asked.get('food') ?? '' });
  const edit = useEdit();
  const put = (field: keyof typeof blank) => (value: string) => setTyped((now) => ({ ...now, [field]: value }));
  const says = (field: string) => (edit.problem?.field === field ? `${edit.problem.title} ${edit.problem.cure}` : undefined);
  const price = typedNumber(typed.price);
  const isNumber = price !== null && !Number.isNaN(price);
  return (
    <form
      className="mb-5 flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void edit.run({
          ask: () =>
            kept(api.PUT('/api/larder/prices', { body: { food: typed.food, pack: typed.pack, price: price ?? 0, shop: typed.shop } })),
          say: `Noted what ${typed.food} costs.`,
          last: () => setTyped((now) => (now === typed ? { ...blank, shop: typed.shop } : now)),
        });
      }}
    >
      <Field label="Food or packet" value={typed.food} onChange={put('food')} problem={says('food')} autoComplete="off" className="w-52" />
      <Field
        label="Pack"
        value={typed.pack}
        onChange={put('pack')}
        problem={says('pack')}
        hint="500 g"
        autoComplete="off"
        className="w-28"
      />
      <Field
        label="Price"
        value={typed.price}
        onChange={put('price')}
        problem={says('price') ?? (typed.price !== '' && !isNumber ? 'Type a number.' : undefined)}
        inputMode="decimal"
        autoComplete="off"
        className="w-24"
      />
      <Field
        label="Shop"
        value={typed.shop}
        onChange={put('shop')}
        problem={says('shop')}
        list="shops"
        autoComplete="off"
        className="w-36"
      />
      <datalist id="shops">
        {shops.map((shop) => (
          <option key={shop} value={shop} />
        ))}
      </datalist>
      <Button type="submit" look="main" className="mt-6" disabled={typed.food.trim() === '' || !isNumber || edit.isPending}>
        Note it
      </Button>
    </form>
  );
}

function Noted({ page }: { page: Page }) {
  const edit = useEdit();
  if (page.prices.length === 0) {
    return (
      <p className="max-w-prose text-steel">
        No prices yet. Note one above, or bring a file in; a packet's price counts from its own page.
      </p>
    );
  }
  return (
    <table className="w-full text-sm">
      <thead className="text-left text-xs text-steel">
        <tr>
          <th className="py-1 pr-2 font-normal">Food</th>
          <th className="px-2 py-1 text-right font-normal">Price</th>
          <th className="px-2 py-1 font-normal">for</th>
          <th className="px-2 py-1 text-right font-normal">a kilogram</th>
          <th className="px-2 py-1 font-normal max-sm:hidden">Shop</th>
          <th className="px-2 py-1 font-normal max-sm:hidden">Seen</th>
          <th>
            <span className="sr-only">Forget</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {page.prices.map((price) => (
          <tr key={`${price.food} ${price.shop}`} className="border-t border-line">
            <td className="py-1 pr-2">
              <Link to={`/larder/foods/${encodeURIComponent(price.food)}`} className="font-semibold hover:text-cobalt">
                {price.foodName ?? 'a food that is no longer there'}
              </Link>
            </td>
            <td className="figures px-2 py-1 text-right">{money(price.amount)}</td>
            <td className="figures px-2 py-1 whitespace-nowrap text-steel">{price.pack}</td>
            <td className="figures px-2 py-1 text-right">{money(price.perKilogram)}</td>
            <td className="px-2 py-1 max-sm:hidden">{price.shop}</td>
            <td className="figures px-2 py-1 whitespace-nowrap text-steel max-sm:hidden">{dayMonth(price.seenOn)}</td>
            <td className="w-11">
              <button
                type="button"
                aria-label={`Forget the price of ${price.foodName ?? price.food}`}
                className="flex size-9 items-center justify-center text-steel hover:text-rim"
                onClick={() =>
                  edit.run({
                    ask: () => kept(api.DELETE('/api/larder/prices', { params: { query: { food: price.food, shop: price.shop } } })),
                    say: `Forgot what ${price.foodName ?? 'it'} costs.`,
                  })
                }
              >
                <X size={16} />
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
