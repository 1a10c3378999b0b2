import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { NothingCooked } from '../../pieces/NothingCooked';
import { putIntoOutbox } from '../../pieces/outbox';
import { Tape } from '../../pieces/Tape';
import { Tick } from '../../pieces/Tick';
import { useWaiting, withShopTicks } from '../../pieces/useOutbox';
import { useWeekDate } from '../useWeekDate';

type Page = Schemas['ShopPage'];

/** One list for the week, by aisle, with the batches that need each thing. */
export function ShopPage() {
  const date = useWeekDate();
  const shop = useQuery({
    queryKey: ['shop', date],
    queryFn: () => take(api.GET('/api/weeks/{date}/shop', { params: { path: { date } } })),
  });
  const waiting = useWaiting();
  return <Asked of={shop}>{(page) => <List page={withShopTicks(page, waiting)} date={date} />}</Asked>;
}

function List({ page, date }: { page: Page; date: string }) {
  if (page.total === 0) {
    return <NothingCooked date={date}>Nothing is cooked for this week yet, so there is nothing to buy.</NothingCooked>;
  }
  return (
    <div className="mx-auto max-w-5xl p-4 md:p-6">
      <div className="mb-3 flex items-center gap-3">
        <h1 className="text-xl">Shop</h1>
        <p className="figures text-steel print:hidden" aria-live="polite">
          {page.ticked} of {page.total} in the basket
        </p>
        <span className="flex-1" />
        <Button onClick={() => window.print()} className="print:hidden">
          <Printer size={15} /> Print
        </Button>
      </div>
      <div className="gap-6 sm:columns-2 lg:columns-3">
        {page.aisles.map((aisle) => (
          <section key={aisle.name} className="rimmed mb-5 break-inside-avoid">
            <h2 className="py-1 text-base first-letter:uppercase">{aisle.name}</h2>
            <ul>
              {aisle.items.map((item) => (
                <li key={item.key} className="border-t border-line">
                  <label className="flex min-h-11 cursor-pointer items-start gap-2 py-1.5">
                    <Tick
                      isTicked={item.isTicked}
                      onTick={(isTicked) => putIntoOutbox({ kind: 'shop', week: page.start, body: { key: item.key, isTicked } })}
                      className="mt-0.5 size-5 shrink-0"
                    />
                    <span className={`min-w-0 flex-1 text-sm ${item.isTicked ? 'text-steel line-through' : ''}`}>
                      <span className="flex items-baseline justify-between gap-2">
                        <span className="font-semibold">{item.name}</span>
                        <span className="figures text-right whitespace-nowrap">{item.amount}</span>
                      </span>
                      {item.inStock && <span className="block text-xs text-steel">there already: {item.inStock}</span>}
                      {item.rejected.map((said) => (
                        <span key={said} className="block text-xs text-beet">
                          {said}
                        </span>
                      ))}
                      {item.asTyped.map((text) => (
                        <span key={text} className="block text-xs text-steel">
                          as typed: {text}
                        </span>
                      ))}
                    </span>
                    <span
                      className="flex shrink-0 flex-wrap justify-end gap-0.5"
                      title={item.batches.map((need) => `${need.tape} ${need.amount}`).join(', ')}
                    >
                      {item.batches.map((need) => (
                        <Tape key={need.tape} letter={need.letter} />
                      ))}
                    </span>
                  </label>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </div>
  );
}
