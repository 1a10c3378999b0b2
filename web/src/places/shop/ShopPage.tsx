import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { NothingCooked } from '../../pieces/NothingCooked';
import { longDate, money } from '../../pieces/show';
import { useWaiting, withShopTicks } from '../../pieces/useOutbox';
import { shopQuery } from '../kept';
import { useWeekDate } from '../useWeekDate';
import { HandOn } from './HandOn';
import { inShop, partsOf } from './parts';
import { ThingRow } from './ThingRow';

type Page = Schemas['ShopPage'];

/** The list of a week or of one of its sessions, by aisle: what to buy, what to look for first, what is there. */
export function ShopPage() {
  const date = useWeekDate();
  const [session, setSession] = useState<string | null>(null);
  const shop = useQuery(shopQuery(date, session));
  const waiting = useWaiting();
  return (
    <Asked of={shop}>{(page) => <List page={withShopTicks(page, waiting)} date={date} session={session} onSession={setSession} />}</Asked>
  );
}

type Props = { page: Page; date: string; session: string | null; onSession: (session: string | null) => void };

function List({ page, date, session, onSession }: Props) {
  const [shop, setShop] = useState('');
  if (page.sessions.length === 0 && page.aisles.length === 0) {
    return <NothingCooked date={date}>Nothing is to be cooked for this week, so there is nothing to buy.</NothingCooked>;
  }
  const { buy, look, there } = partsOf(page);
  const { here, elsewhere } = inShop(buy, shop);
  const row = (item: Schemas['ShopItem']) => <ThingRow key={item.key} item={item} week={page.start} shop={shop} />;
  return (
    <div className="mx-auto max-w-5xl p-4 md:p-6">
      <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="text-xl">Shop</h1>
        <p className="figures text-steel print:hidden" aria-live="polite">
          {page.ticked} of {page.total} in the basket
        </p>
        {page.cost !== null && (
          <p className="figures text-steel">
            about <span className="font-semibold text-rim">{money(page.cost)}</span>
            {page.withoutPrice > 0 && `, ${page.withoutPrice} without a price`}
          </p>
        )}
        <span className="flex-1" />
        {page.sessions.length > 1 && (
          <label className="flex items-center gap-1.5 text-sm print:hidden">
            For
            <select
              value={session ?? ''}
              onChange={(event) => onSession(event.target.value || null)}
              className="min-h-11 w-36 rounded-sm border border-slate bg-enamel px-1 sm:min-h-9"
            >
              <option value="">the whole week</option>
              {page.sessions.map((one) => (
                <option key={one.date} value={one.date}>
                  {longDate(one.date)}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="flex items-center gap-1.5 text-sm print:hidden">
          At
          <input
            value={shop}
            onChange={(event) => setShop(event.target.value)}
            list="shops"
            placeholder="any shop"
            autoComplete="off"
            className="min-h-11 w-28 rounded-sm border border-slate bg-enamel px-2 sm:min-h-9"
          />
          <datalist id="shops">
            {page.shops.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </label>
        <HandOn date={date} session={session} />
      </div>
      <div className="gap-6 sm:columns-2 lg:columns-3">
        {here.map((aisle) => (
          <section key={aisle.name} className="rimmed mb-5 break-inside-avoid">
            <h2 className="py-1 text-base first-letter:uppercase">{aisle.name}</h2>
            <ul>{aisle.items.map(row)}</ul>
          </section>
        ))}
        <Apart title="Look first: most cupboards hold it" items={look} row={row} isOpen />
        <Apart title="Bought elsewhere" items={elsewhere} row={row} />
        <Apart title="There already" items={there} row={row} />
      </div>
    </div>
  );
}

/** Things that are not simply bought, under a heading that opens. */
function Apart(props: {
  title: string;
  items: Schemas['ShopItem'][];
  row: (item: Schemas['ShopItem']) => React.ReactNode;
  isOpen?: boolean;
}) {
  if (props.items.length === 0) return null;
  return (
    <details className="rimmed mb-5 break-inside-avoid" open={props.isOpen}>
      <summary className="flex min-h-11 cursor-pointer items-center font-display text-base font-semibold">
        {props.title} <span className="figures ml-2 font-sans text-sm font-normal text-steel">{props.items.length}</span>
      </summary>
      <ul>{props.items.map(props.row)}</ul>
    </details>
  );
}
