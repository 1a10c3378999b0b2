import { useOutletContext } from 'react-router';
import { Button } from '../../pieces/Button';
import { longDate, portions, typedNumber, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useTyped } from '../../pieces/useTyped';
import { BestThings, useBest } from './BestThings';
import { Measures, Stepper } from './InspectorParts';
import { type Batch, type Board, type BoardEdits, type Item, lotName, type Place } from './queries';

export const nameOf = (item: Item) => (item.kind === 'ready' ? (item.text ?? item.name) : item.name);

const keeping = (item: Item, isPortioned: boolean) =>
  item.isEaten
    ? 'Eaten.'
    : item.eatBy === null || item.keptIn === null
      ? ''
      : item.keptIn === 'freezer'
        ? `${isPortioned ? 'Frozen' : 'Freeze it on the day it is cooked'}; move it to the fridge on ${item.thaw ? weekday(item.thaw) : ''} evening, eat by ${weekday(item.eatBy)}.`
        : item.keptIn === 'pastItsTime'
          ? `It keeps until ${longDate(item.eatBy)} and does not freeze. Eat it sooner, or cook it in a later session.`
          : `In the fridge, eat by ${longDate(item.eatBy)}.`;

type Props = { item: Item; board: Board; place: Place; edits: BoardEdits };

/** One thing of the meal: how much, where it waits, what is in it. */
export function ItemDetails({ item, board, place, edits }: Props) {
  const day = board.ledger.find((one) => one.eaterId === place.eaterId && one.date === place.date);
  const isTroubled = item.keptIn === 'pastItsTime' || day?.findings.some((finding) => finding.verdict === 'breaks') === true;
  const batch = board.batches.find((one) => one.id === item.batchId);
  const lot = batch?.lots.find((one) => one.id === item.lotId);
  const { today } = useOutletContext<{ today: string }>();
  const waits = keeping(item, batch?.isPortioned === true);
  return (
    <section aria-label={nameOf(item)} className="mt-3 border-t-2 border-rim pt-3">
      {batch && <Tape letter={batch.tape} big />}
      <h3 className="mt-1 text-base leading-tight">{nameOf(item)}</h3>
      {waits && <p className={`mt-1 text-sm ${item.keptIn === 'pastItsTime' ? 'font-semibold text-beet' : ''}`}>{waits}</p>}
      {batch?.later && item.keptIn === 'pastItsTime' && (
        <Button className="mt-2 w-full" onClick={() => void edits.cookLater(batch, batch.later ?? '')}>
          Cook it on {longDate(batch.later)}
        </Button>
      )}
      {item.freezing !== null && !item.isEaten && place.date >= today && (
        <Button className="mt-2 w-full" onClick={() => void edits.freeze(item, !item.freezing)}>
          {item.freezing ? 'Keep it in the fridge' : 'Freeze this box'}
        </Button>
      )}
      {batch?.reheating && <p className="mt-1 text-sm">Reheat: {batch.reheating}.</p>}
      {batch?.atEating && <p className="mt-1 text-sm">At eating: {batch.atEating}.</p>}
      {batch && lot?.notLikedBy.includes(place.eaterId) && (
        <p className="mt-1 text-sm">{board.eaters.find((eater) => eater.id === place.eaterId)?.name} would rather not have it.</p>
      )}
      {item.doubt && <p className="mt-1 text-sm">{item.doubt}</p>}
      {item.isEaten ? null : batch && item.size ? (
        <>
          {batch.lots.length > 1 && !batch.isPortioned && <ChooseLot item={item} batch={batch} edits={edits} />}
          <DrawSize item={item} size={item.size} weighs={lot?.gramsPerPortion ?? null} edits={edits} />
        </>
      ) : (
        <Reword item={item} edits={edits} />
      )}
      <Button className="mt-3 w-full" onClick={() => edits.move(item, place, null)}>
        {batch ? 'Take back to the bench' : 'Take off the board'}
      </Button>
      {isTroubled && !item.isEaten && <Instead item={item} board={board} place={place} edits={edits} />}
      <Measures of={item.numbers} title={batch ? 'In this portion' : 'In it'} />
    </section>
  );
}

/** What would do the day more good in its place. */
function Instead({ item, board, place, edits }: Props) {
  const best = useBest(board, place, true, item.id);
  return (
    <div className="mt-4">
      <BestThings board={board} best={best} place={place} edits={edits} instead={item} onPlaced={() => undefined} />
    </div>
  );
}

/** The same dish as written, or in a variant of which some is loose. */
function ChooseLot({ item, batch, edits }: { item: Item; batch: Batch; edits: BoardEdits }) {
  return (
    <label className="mt-3 flex items-center gap-2 text-sm">
      Cooked
      <select
        value={item.lotId ?? ''}
        onChange={(event) => void edits.changeLot(item, event.target.value)}
        className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2"
      >
        {batch.lots.map((lot) => (
          <option key={lot.id} value={lot.id} disabled={lot.loose <= 0 && lot.id !== item.lotId}>
            {lotName(lot)} ({portions(lot.loose)} loose)
          </option>
        ))}
      </select>
    </label>
  );
}

/** Portions by quarter steps, or grams as typed. */
function DrawSize({
  item,
  size,
  weighs,
  edits,
}: {
  item: Item;
  size: NonNullable<Item['size']>;
  weighs: number | null;
  edits: BoardEdits;
}) {
  const grams = useTyped(size.isInGrams ? String(size.amount) : '');
  const typed = typedNumber(grams.text) ?? 0;
  return (
    <>
      {size.isInGrams ? (
        <p className="figures mt-3 text-sm">
          {size.amount} g, {portions(item.portions ?? 0)} portions{' '}
          <button
            type="button"
            className="font-semibold text-cobalt hover:underline"
            onClick={() => void edits.size(item, { amount: Math.max(0.25, Math.round((item.portions ?? 1) * 4) / 4), isInGrams: false })}
          >
            in portions
          </button>
        </p>
      ) : (
        <Stepper
          label="Portions in it"
          value={size.amount}
          least={0.25}
          most={4}
          step={0.25}
          onChange={(to) => edits.sizeBy(item.id, to - size.amount)}
        />
      )}
      <Button className="mt-2 w-full" onClick={() => void edits.fit(item)}>
        As large as the day allows
      </Button>
      {weighs !== null && (
        <form
          className="mt-2 flex items-center justify-between gap-2 text-sm"
          onSubmit={(event) => {
            event.preventDefault();
            const { text } = grams;
            void edits.size(item, { amount: typed, isInGrams: true }).then((isDone) => isDone && grams.kept(text));
          }}
        >
          <label className="flex items-center gap-2">
            or by weight
            <input
              inputMode="decimal"
              aria-label="Grams in it"
              value={grams.text}
              placeholder={String(Math.round((item.portions ?? 1) * weighs))}
              onChange={(event) => grams.type(event.target.value)}
              className="figures min-h-9 w-20 rounded-sm border border-slate bg-enamel px-2 text-right"
            />
            g
          </label>
          <Button type="submit" disabled={!(typed > 0) || (size.isInGrams && typed === size.amount)}>
            Set
          </Button>
        </form>
      )}
    </>
  );
}

/** Another amount of what is eaten as it is bought, as words. */
function Reword({ item, edits }: { item: Item; edits: BoardEdits }) {
  const { text, type, kept } = useTyped(item.text ?? '');
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void edits.reword(item, text).then((isDone) => isDone && kept(text));
      }}
    >
      <input
        aria-label="How much of what"
        value={text}
        onChange={(event) => type(event.target.value)}
        className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2 text-sm"
      />
      <Button type="submit" disabled={!text.trim() || text.trim() === item.text}>
        Change
      </Button>
    </form>
  );
}
