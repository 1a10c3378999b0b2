import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, Problem, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { dayMonth, number, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { typedNumber } from '../table/queries';
import { useLarderEdit } from './queries';

type Page = Schemas['StockPage'];
type Item = Schemas['StockRow'];
type Place = Schemas['StockPlace'];
type Action = Schemas['StockAction'];

const places: [Place, string][] = [
  ['pantry', 'Pantry'],
  ['fridge', 'Fridge'],
  ['freezer', 'Freezer'],
];

/** What stands in pantry, fridge and freezer, the oldest first, with what must go this week on top. */
export function StockPage() {
  const stock = useQuery({ queryKey: ['larder', 'stock'], queryFn: () => take(api.GET('/api/larder/stock')) });
  return (
    <>
      <TakeIn />
      <Asked of={stock}>{(page) => <Shelves page={page} />}</Asked>
    </>
  );
}

function TakeIn() {
  const [line, setLine] = useState('');
  const [place, setPlace] = useState<Place>('pantry');
  const [bestBefore, setBestBefore] = useState('');
  const edit = useLarderEdit();
  const problem = edit.error instanceof Problem ? edit.error : null;
  return (
    <form
      className="mb-6 flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        edit.mutate(
          {
            say: `${line.trim()} came in.`,
            ask: () =>
              take(api.POST('/api/larder/stock', { body: { line, food: null, place, madeOn: null, bestBefore: bestBefore || null } })),
          },
          {
            onSuccess: () => {
              setLine('');
              setBestBefore('');
            },
          },
        );
      }}
    >
      <Field
        label="What came in"
        value={line}
        onChange={setLine}
        problem={problem?.field === 'line' ? `${problem.title} ${problem.cure}` : undefined}
        hint="500 g red lentils, 2 tins chopped tomatoes, 6 eggs"
        autoComplete="off"
        className="w-full sm:w-80"
      />
      <Choice label="Where" value={place} onChange={(value) => setPlace(value as Place)} options={places} className="w-32" />
      <Field label="Date on it" type="date" value={bestBefore} onChange={setBestBefore} className="w-40" />
      <Button type="submit" look="main" className="mt-6" disabled={line.trim() === '' || edit.isPending}>
        Take in
      </Button>
    </form>
  );
}

function Shelves({ page }: { page: Page }) {
  if (page.items.length + page.boxes.length === 0) {
    return <p className="text-steel">Nothing stands in the larder yet. Type what came in, and where it stands.</p>;
  }
  const due = page.items.filter((item) => item.isDue);
  const dueBoxes = page.boxes.filter((box) => box.isDue && (box.mayGo || box.isPast || box.plannedFor === null));
  return (
    <>
      {due.length + dueBoxes.length > 0 && (
        <section className="mb-6">
          <h2 className="mb-1 text-lg">Must go this week</h2>
          <ul className="rimmed">
            {due.map((item) => (
              <Thing key={item.id} item={item} today={page.today} isWithPlace />
            ))}
            {dueBoxes.map((box) => (
              <Box key={box.id} box={box} today={page.today} />
            ))}
          </ul>
        </section>
      )}
      <div className="space-y-6">
        {places.map(([place, word]) => (
          <Shelf
            key={place}
            word={word}
            items={page.items.filter((item) => item.place === place && !item.isDue)}
            boxes={page.boxes.filter((box) => box.place === place && !dueBoxes.includes(box))}
            today={page.today}
          />
        ))}
      </div>
    </>
  );
}

function Shelf({ word, items, boxes, today }: { word: string; items: Item[]; boxes: Page['boxes']; today: string }) {
  if (items.length + boxes.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-lg">{word}</h2>
      <ul className="rimmed">
        {items.map((item) => (
          <Thing key={item.id} item={item} today={today} />
        ))}
        {boxes.map((box) => (
          <Box key={box.id} box={box} today={today} />
        ))}
      </ul>
    </section>
  );
}

const when = (date: string, today: string) => (date === today ? 'today' : `${weekday(date)} ${dayMonth(date)}`);

function Thing({ item, today, isWithPlace = false }: { item: Item; today: string; isWithPlace?: boolean }) {
  const edit = useLarderEdit();
  const path = { params: { path: { id: item.id } } };
  const act = (action: Action, say: string) =>
    edit.mutate({ say, ask: () => take(api.POST('/api/larder/stock/{id}/action', { ...path, body: { action } })) });
  const dates = [
    `here since ${when(item.madeOn, today)}`,
    item.openedOn && `opened ${when(item.openedOn, today)}`,
    item.frozenOn && `frozen ${when(item.frozenOn, today)}`,
    item.thawedOn && `thawed ${when(item.thawedOn, today)}`,
  ].filter(Boolean);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 border-x border-b border-line px-3 py-2 text-sm md:grid-cols-[minmax(0,1fr)_8rem_14rem_18rem] md:items-center">
      <div className="min-w-0">
        {item.food ? (
          <Link to={`/larder/foods/${item.food}`} className="font-semibold hover:text-cobalt hover:underline">
            {item.name}
          </Link>
        ) : (
          <b className="font-semibold">{item.name}</b>
        )}
        {isWithPlace && <span className="text-steel"> in the {item.place}</span>}
        <span className="block text-xs text-steel">{dates.join(', ')}</span>
      </div>
      <Left item={item} />
      <div className="col-span-2 min-w-0 md:col-span-1">
        {item.goBy && (
          <>
            <b className={item.isPast ? 'text-beet' : ''}>
              {item.isPast ? 'past its time since' : 'by'} {when(item.goBy, today)}
            </b>
            <span className="block text-xs text-steel">{item.because}</span>
          </>
        )}
      </div>
      <div className="col-span-2 flex flex-wrap gap-1 md:col-span-1 md:justify-end">
        <Button
          className="min-h-11 md:min-h-9"
          aria-label={`${item.name}: used up`}
          onClick={() => act('usedUp', `${item.name} is used up.`)}
        >
          Used up
        </Button>
        {!item.openedOn && item.place !== 'freezer' && (
          <Button
            className="min-h-11 md:min-h-9"
            aria-label={`${item.name}: opened`}
            onClick={() => act('opened', `${item.name} is open.`)}
          >
            Opened
          </Button>
        )}
        {item.place === 'freezer' && (
          <Button
            className="min-h-11 md:min-h-9"
            aria-label={`${item.name}: thaw in the fridge`}
            onClick={() => act('toFridge', `${item.name} thaws in the fridge.`)}
          >
            Thaw
          </Button>
        )}
        {item.place === 'fridge' && !item.thawedOn && (
          <Button
            className="min-h-11 md:min-h-9"
            aria-label={`${item.name}: frozen today`}
            onClick={() => act('frozen', `${item.name} is frozen.`)}
          >
            Frozen today
          </Button>
        )}
      </div>
    </li>
  );
}

/** What is left of it: the amount, and on a click a field for what is left now. */
function Left({ item }: { item: Item }) {
  const [typed, setTyped] = useState<string | null>(null);
  const edit = useLarderEdit();
  if (typed === null) {
    return (
      <button
        type="button"
        onClick={() => setTyped(item.grams === null ? '' : String(item.grams))}
        aria-label={`${item.name}: say what is left`}
        className="figures min-h-9 text-left underline decoration-line underline-offset-4 hover:text-cobalt"
      >
        {item.amount || 'some'}
      </button>
    );
  }
  const grams = typedNumber(typed);
  return (
    <form
      className="flex items-center gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        edit.mutate(
          {
            say: `${number(grams ?? 0, 0)} g of ${item.name} are left.`,
            ask: () => take(api.PUT('/api/larder/stock/{id}/amount', { params: { path: { id: item.id } }, body: { grams: grams ?? 0 } })),
          },
          { onSuccess: () => setTyped(null) },
        );
      }}
    >
      <input
        // biome-ignore lint/a11y/noAutofocus: the field stands where the finger just was
        autoFocus
        inputMode="decimal"
        aria-label={`${item.name}, grams left`}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setTyped(null)}
        className={`${inputLook} w-20 text-right`}
      />
      <span className="text-steel">g</span>
      <Button look="bare" type="submit" disabled={grams === null || Number.isNaN(grams)}>
        Keep
      </Button>
    </form>
  );
}

function Box({ box, today }: { box: Page['boxes'][number]; today: string }) {
  const edit = useLarderEdit();
  const path = { params: { path: { id: box.id } } };
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 border-x border-b border-line px-3 py-2 text-sm md:grid-cols-[minmax(0,1fr)_8rem_14rem_18rem] md:items-center">
      <div className="flex min-w-0 items-center gap-2">
        <Tape letter={box.tape} />
        <Link to="/week" className="truncate font-semibold hover:text-cobalt hover:underline">
          {box.dish}
        </Link>
      </div>
      <span className="figures">{box.size}</span>
      <div className="col-span-2 md:col-span-1">
        <b className={box.isPast ? 'text-beet' : ''}>
          {box.isPast ? 'past its time since' : 'eat by'} {when(box.eatBy, today)}
        </b>
        <span className="block text-xs text-steel">{box.plannedFor ?? 'loose: no meal has it'}</span>
      </div>
      <div className="col-span-2 md:col-span-1 md:text-right">
        {box.mayGo && (
          <Button
            className="min-h-11 md:min-h-9"
            aria-label={`${box.tape} ${box.dish}: gone`}
            onClick={() =>
              edit.mutate({
                say: `${box.dish} is gone.`,
                ask: () => take(api.PUT('/api/larder/stock/boxes/{id}/gone', path)),
                takeBack: () => take(api.DELETE('/api/larder/stock/boxes/{id}/gone', path)),
              })
            }
          >
            Gone
          </Button>
        )}
      </div>
    </li>
  );
}
