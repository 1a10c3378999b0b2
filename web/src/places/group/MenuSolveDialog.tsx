import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, dayMonth, mealName, weekday } from '../../pieces/show';
import { amountOf, variantOf } from './made';
import { type Followed, type Menu, useMenuEdits, useMenuOffer } from './queries';

type Offer = Schemas['MenuOfferSheet'];
type Change = Schemas['MenuChangeSheet'];

/** What a search would put on a menu: looked at first, ticked or not, then put there as one edit. */
export function MenuSolveDialog({ menu, follows, onDone }: { menu: Menu; follows: Followed[]; onDone: () => void }) {
  const [isMend, setMend] = useState(false);
  const [most, setMost] = useState('3');
  const offer = useMenuOffer(menu, isMend ? Number(most) : null);
  return (
    <SheetDialog title="Fill or mend" onClose={onDone} wide>
      <fieldset className="mb-3 flex min-h-9 flex-wrap items-center gap-x-6">
        <legend className="sr-only">What is sought</legend>
        {(
          [
            [false, 'Dishes for the open meals'],
            [true, 'Better dishes for what stands there'],
          ] as const
        ).map(([mends, words]) => (
          <label key={words} className="flex min-h-9 items-center gap-2 text-sm font-semibold">
            <input type="radio" name="sought" checked={isMend === mends} onChange={() => setMend(mends)} className="size-4 accent-cobalt" />
            {words}
          </label>
        ))}
        {isMend && (
          <label className="flex items-center gap-2 text-sm">
            At most
            <select value={most} onChange={(event) => setMost(event.target.value)} className={inputLook}>
              {['1', '3', '5', '10', '28'].map((many) => (
                <option key={many}>{many}</option>
              ))}
            </select>
            give way{menu.days > 7 && ' each week'}
          </label>
        )}
      </fieldset>
      <Asked of={offer}>
        {(found) => <Offered key={offer.dataUpdatedAt} menu={menu} offer={found} isMend={isMend} follows={follows} onDone={onDone} />}
      </Asked>
    </SheetDialog>
  );
}

type Props = { menu: Menu; offer: Offer; isMend: boolean; follows: Followed[]; onDone: () => void };

function Offered({ menu, offer, isMend, follows, onDone }: Props) {
  const edits = useMenuEdits();
  const [left, setLeft] = useState<ReadonlySet<Change>>(new Set());
  const taken = offer.changes.filter((change) => !left.has(change));
  const toggle = (change: Change) => {
    const next = new Set(left);
    if (!next.delete(change)) next.add(change);
    setLeft(next);
  };
  if (offer.changes.length === 0)
    return (
      <p className="text-sm">
        {isMend
          ? 'Nothing of this library suits more than two members better. What would mend a single dish stands under it.'
          : offer.before.open === 0
            ? 'No meal is open.'
            : 'Nothing of this library is meant for the meals that are open.'}
      </p>
    );
  return (
    <>
      <Standing before={offer.before} after={offer.after} tierDays={menu.tiers.length * menu.days} />
      <ul className="mt-3 max-h-96 overflow-y-auto border-b border-line text-sm">
        {offer.changes.map((change) => (
          <li key={`${change.day} ${change.meal}`} className="border-t border-line">
            <label className="flex min-h-9 cursor-pointer items-start gap-2 py-1.5">
              <input
                type="checkbox"
                checked={!left.has(change)}
                onChange={() => toggle(change)}
                className="mt-0.5 size-4 shrink-0 accent-cobalt"
              />
              <span className="w-40 shrink-0 text-steel">
                {weekday(addDays(menu.startsOn, change.day))} {dayMonth(addDays(menu.startsOn, change.day))}, {mealName(change.meal)}
              </span>
              <span className="min-w-0 flex-1">
                <b>{change.name}</b>
                {change.was && <> instead of {change.was}</>}
                <span className="block text-steel">
                  {[...change.portions.map((one) => amountOf(one)), ...change.variants.map((one) => variantOf(one, follows))].join('; ')}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-xs text-steel">
        {!offer.isProven
          ? 'The best that was found; not proven to be the best there is.'
          : isMend
            ? 'No other changes, so many at most, leave fewer members out.'
            : 'No other choice of this library’s dishes leaves fewer members out.'}{' '}
        A dish comes once a day and three times a week at most. An allergy is never set aside: whom a dish does not suit has that meal open
        at home.{menu.tiers.length === 0 && ' Give the menu tiers, and its days come to their energy.'}
      </p>
      <ProblemNote of={edits.problem} className="mt-2" />
      <div className="mt-3 flex gap-2">
        <Button
          look="main"
          disabled={edits.isPending || taken.length === 0}
          onClick={() => void edits.takeSolved(menu.id, taken).then((isDone) => isDone && onDone())}
        >
          {taken.length === 1 ? 'Put this dish there' : `Put these ${taken.length} dishes there`}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </>
  );
}

function Standing({ before, after, tierDays }: { before: Offer['before']; after: Offer['after']; tierDays: number }) {
  const rows: [string, string, string][] = [
    ['Meals that are open', `${before.open}`, `${after.open}`],
    ['Of what the dishes are to the members, fits', percent(before.fitsPercent), percent(after.fitsPercent)],
    ['Rules of days and weeks that break for somebody', `${before.over}`, `${after.over}`],
  ];
  if (tierDays > 0) rows.push([`Of ${tierDays} days of all tiers, come to their energy`, `${before.tiers}`, `${after.tiers}`]);
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="text-left text-steel">
          <th className="font-normal">With all of it</th>
          <th className="w-20 text-right font-normal">now</th>
          <th className="w-20 text-right font-normal">then</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([words, was, is]) => (
          <tr key={words} className="border-t border-line">
            <td className="py-1">{words}</td>
            <td className="figures text-right">{was}</td>
            <td className="figures text-right font-semibold">{is}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const percent = (value: number | null) => (value === null ? '–' : `${value} %`);
