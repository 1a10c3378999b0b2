import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { amount, longDate, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useFoods } from '../recipes/queries';
import { Findings, Measures, Stepper } from './InspectorParts';
import type { Board, BoardEdits, Item, Place, Serving } from './queries';
import { byCell, isCookedBy, type Selected } from './selection';

type Props = {
  board: Board;
  place: Place;
  itemId: string | null;
  edits: BoardEdits;
  onSelect: (selected: Selected) => void;
};

const nothing = { state: 'planned', isLocked: false, note: '' } as const;

/** A whole meal: its things in order with their amounts, what can be added, and what is said of it. */
export function MealDetails({ board, place, itemId, edits, onSelect }: Props) {
  const serving = byCell(board)(place);
  const eater = board.eaters.find((one) => one.id === place.eaterId);
  const day = board.ledger.find((one) => one.eaterId === place.eaterId && one.date === place.date);
  const items = serving?.items ?? [];
  const shown = items.find((item) => item.id === itemId) ?? (items.length === 1 ? items[0] : undefined);
  const shift = (from: number, by: number) => {
    const order = items.map((item) => item.id);
    const [one, other] = [order[from], order[from + by]];
    if (one && other) [order[from], order[from + by]] = [other, one];
    void edits.order(place, order);
  };
  return (
    <>
      <h2 className="pr-6 text-lg first-letter:uppercase">{place.meal}</h2>
      <p className="text-sm text-steel">
        {eater?.name}, {longDate(place.date)}
      </p>
      {items.length > 1 && (
        <ol aria-label="In this meal" className="mt-3">
          {items.map((item, at) => (
            <li key={item.id} className={`flex items-center gap-1 border-t border-line ${item === shown ? 'bg-tray' : ''}`}>
              <button
                type="button"
                aria-current={item === shown ? 'true' : undefined}
                onClick={() => onSelect({ kind: 'meal', place, itemId: item.id })}
                className="flex min-h-10 min-w-0 flex-1 items-center gap-2 text-left text-sm hover:text-cobalt"
              >
                <ItemName item={item} board={board} />
              </button>
              <Nudge label={`${nameOf(item)} earlier`} isOff={at === 0} onClick={() => shift(at, -1)}>
                <ChevronUp size={15} />
              </Nudge>
              <Nudge label={`${nameOf(item)} later`} isOff={at === items.length - 1} onClick={() => shift(at, 1)}>
                <ChevronDown size={15} />
              </Nudge>
            </li>
          ))}
        </ol>
      )}
      {shown && <ItemDetails key={shown.id} item={shown} board={board} place={place} edits={edits} />}
      <AddToMeal board={board} place={place} edits={edits} isEmpty={items.length === 0} onSelect={onSelect} />
      <SayOfMeal key={`${serving?.state} ${serving?.note}`} serving={serving} place={place} edits={edits} />
      {items.length > 0 && day && eater && <Findings title={`${eater.name}’s ${weekday(place.date)}`} findings={day.findings} />}
    </>
  );
}

const nameOf = (item: Item) => (item.kind === 'ready' ? (item.text ?? item.name) : item.name);

function ItemName({ item, board }: { item: Item; board: Board }) {
  const batch = board.batches.find((one) => one.id === item.batchId);
  if (!batch) return <span className="min-w-0 flex-1">{item.text}</span>;
  return (
    <>
      <Tape letter={batch.letter} />
      <span className="min-w-0 flex-1 leading-tight">
        {item.name}
        {item.parts && <span className="text-steel"> {item.parts.map((part) => part || 'main part').join(', ')}</span>}
      </span>
      <span className="figures text-xs text-steel">
        {item.size?.isInGrams ? `${item.size.amount} g` : `${portions(item.portions ?? 1)}×`}
      </span>
    </>
  );
}

function Nudge({ label, isOff, onClick, children }: { label: string; isOff: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={isOff}
      onClick={onClick}
      className="flex size-8 items-center justify-center text-steel hover:text-rim disabled:opacity-30"
    >
      {children}
    </button>
  );
}

const keeping = (item: Item) =>
  item.eatBy === null || item.keptIn === null
    ? ''
    : item.keptIn === 'freezer'
      ? `Freeze it on the day it is cooked; move it to the fridge on ${item.thaw ? weekday(item.thaw) : ''} evening, eat by ${weekday(item.eatBy)}.`
      : item.keptIn === 'pastItsTime'
        ? `It keeps until ${longDate(item.eatBy)} and does not freeze. Eat it sooner or cook it in the later session.`
        : `In the fridge, eat by ${longDate(item.eatBy)}.`;

/** One thing of the meal: how much, where it waits, what is in it. */
function ItemDetails({ item, board, place, edits }: { item: Item; board: Board; place: Place; edits: BoardEdits }) {
  const batch = board.batches.find((one) => one.id === item.batchId);
  return (
    <section aria-label={nameOf(item)} className="mt-3 border-t-2 border-rim pt-3">
      {batch && <Tape letter={batch.tape} big />}
      <h3 className="mt-1 text-base leading-tight">{nameOf(item)}</h3>
      {keeping(item) && <p className={`mt-1 text-sm ${item.keptIn === 'pastItsTime' ? 'font-semibold text-beet' : ''}`}>{keeping(item)}</p>}
      {item.doubt && <p className="mt-1 text-sm">{item.doubt}</p>}
      {batch && item.size ? (
        <DrawSize item={item} size={item.size} weighs={batch.gramsPerPortion} edits={edits} />
      ) : (
        <Reword item={item} edits={edits} />
      )}
      <Button className="mt-3 w-full" onClick={() => edits.move(item, place, null)}>
        {batch ? 'Take back to the bench' : 'Take off the board'}
      </Button>
      <Measures of={item.numbers} title={batch ? 'In this portion' : 'In it'} />
    </section>
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
  const [grams, setGrams] = useState(size.isInGrams ? String(size.amount) : '');
  const typed = Number(grams.replace(',', '.'));
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
            void edits.size(item, { amount: typed, isInGrams: true });
          }}
        >
          <label className="flex items-center gap-2">
            or by weight
            <input
              inputMode="decimal"
              aria-label="Grams in it"
              value={grams}
              placeholder={String(Math.round((item.portions ?? 1) * weighs))}
              onChange={(event) => setGrams(event.target.value)}
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
  const [text, setText] = useState(item.text ?? '');
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void edits.reword(item, text, () => {});
      }}
    >
      <input
        aria-label="How much of what"
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2 text-sm"
      />
      <Button type="submit" disabled={!text.trim() || text.trim() === item.text}>
        Change
      </Button>
    </form>
  );
}

/** Loose portions, parts of dishes, and foods as they are bought. */
function AddToMeal({
  board,
  place,
  edits,
  isEmpty,
  onSelect,
}: {
  board: Board;
  place: Place;
  edits: BoardEdits;
  isEmpty: boolean;
  onSelect: (selected: Selected) => void;
}) {
  const [isOpen, setOpen] = useState(isEmpty);
  const cooked = board.batches.filter((batch) => isCookedBy(batch, place.date));
  const loose = cooked.filter((batch) => batch.loose > 0);
  const withParts = cooked.filter((batch) => batch.parts.length > 1);
  if (!isOpen)
    return (
      <Button className="mt-4 w-full" onClick={() => setOpen(true)}>
        Add to this meal
      </Button>
    );
  return (
    <section className="mt-4">
      <AddReady place={place} edits={edits} />
      <h3 className="mt-4 font-sans text-sm font-normal text-steel">
        {loose.length > 0
          ? 'Loose portions that can go here'
          : 'No batch that is cooked by then has a loose portion. Make a batch, or cook more of one.'}
      </h3>
      <ul className="mt-1 space-y-1">
        {loose.map((batch) => (
          <li key={batch.id}>
            <button
              type="button"
              className="flex w-full items-center gap-2 border-t border-line py-1 text-left hover:bg-tray"
              onClick={() => {
                void edits.place(batch, place);
                if (isEmpty) onSelect(null);
              }}
            >
              <Tape letter={batch.letter} />
              <span className="min-w-0 flex-1 text-sm leading-tight">{batch.name}</span>
              <span className="figures text-xs whitespace-nowrap text-steel">
                {batch.perPortion
                  .filter((one) => one.key !== 'protein')
                  .map((one) => amount(one.value, one.unit.replace('points', 'pt'), one.decimals))
                  .join(' · ')}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {withParts.length > 0 && (
        <>
          <h3 className="mt-3 font-sans text-sm font-normal text-steel">Only a part of one</h3>
          <ul className="mt-1 flex flex-wrap gap-1">
            {withParts.flatMap((batch) =>
              batch.parts.map((part) => (
                <li key={`${batch.id} ${part}`}>
                  <Button className="text-sm" onClick={() => void edits.place(batch, place, [part])}>
                    <b className="font-display">{batch.letter}</b> {part || 'main part'}
                  </Button>
                </li>
              )),
            )}
          </ul>
        </>
      )}
    </section>
  );
}

/** "150 g skyr", "1 banana": read as it is typed; the foods found for the words stand below, packets first. */
function AddReady({ place, edits }: { place: Place; edits: BoardEdits }) {
  const [line, setLine] = useState('');
  const words = line.replace(/^[\d\s.,/½¼¾⅓⅔]+/, '').replace(/^(g|kg|ml|l|oz|tbsp|tsp|cups?|pieces?|slices?|pots?)\s+/i, '');
  const found = useFoods(words.trim().length > 1 ? words : '');
  const add = (food: string | null) => void edits.addReady(place, line, food, () => setLine(''));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add(null);
      }}
    >
      <label className="block text-sm font-semibold">
        Something as it is bought, or made fresh
        <span className="mt-1 flex gap-2 font-normal">
          <input
            value={line}
            onChange={(event) => setLine(event.target.value)}
            placeholder="150 g skyr"
            autoComplete="off"
            className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2"
          />
          <Button type="submit" disabled={!line.trim()}>
            Add
          </Button>
        </span>
      </label>
      {edits.problem && line.trim() && (
        <p role="alert" className="mt-1 text-sm">
          <b className="text-beet">{edits.problem.title}</b> {edits.problem.cure}
        </p>
      )}
      {line.trim() && (found.data ?? []).length > 0 && (
        <ul aria-label="Foods of this name" className="mt-1 max-h-40 overflow-y-auto text-sm">
          {(found.data ?? []).slice(0, 6).map((food) => (
            <li key={food.key}>
              <button type="button" className="min-h-8 w-full border-t border-line text-left hover:bg-tray" onClick={() => add(food.key)}>
                {food.name}
                {food.key.startsWith('packet-') && <span className="text-steel"> your packet</span>}
              </button>
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}

const states: [Serving['state'], string][] = [
  ['planned', 'planned'],
  ['out', 'eats out'],
  ['skipped', 'nothing, on purpose'],
];

/** Eats out, left alone, a note. */
function SayOfMeal({ serving, place, edits }: { serving: Serving | null; place: Place; edits: BoardEdits }) {
  const { state, isLocked, note } = serving ?? nothing;
  const [typed, setTyped] = useState(note);
  return (
    <section className="mt-5 space-y-2 border-t border-line pt-3 text-sm">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <label className="flex items-center gap-2">
          This meal
          <select
            aria-label="How this meal goes"
            value={state}
            onChange={(event) =>
              void edits.say(place, { state: event.target.value as Serving['state'], isLocked, note }, 'The meal is changed.')
            }
            className="min-h-9 rounded-sm border border-slate bg-enamel px-2"
          >
            {states.map(([key, word]) => (
              <option key={key} value={key}>
                {word}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            checked={isLocked}
            onChange={(event) =>
              void edits.say(
                place,
                { state, isLocked: event.target.checked, note },
                event.target.checked ? 'The meal is locked.' : 'The meal is free.',
              )
            }
            className="size-4 accent-cobalt"
          />
          locked
        </label>
      </div>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void edits.say(place, { state, isLocked, note: typed }, 'The note is kept.');
        }}
      >
        <input
          aria-label="Note"
          placeholder="A note, for example: take the small box"
          value={typed}
          maxLength={200}
          onChange={(event) => setTyped(event.target.value)}
          className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2"
        />
        {typed.trim() !== note && <Button type="submit">Keep</Button>}
      </form>
    </section>
  );
}
