import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { dayMonth, number, typedNumber, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useEdit } from '../../pieces/useEdit';

type Item = Schemas['StockRow'];
type Action = Schemas['StockAction'];

const when = (date: string, today: string) => (date === today ? 'today' : `${weekday(date)} ${dayMonth(date)}`);

/** One thing on a shelf: what is left, until when, and what happens to it. */
export function Thing({ item, today, isWithPlace = false }: { item: Item; today: string; isWithPlace?: boolean }) {
  const edit = useEdit();
  const path = { params: { path: { id: item.id } } };
  const act = (action: Action, say: string) =>
    edit.run({ say, ask: () => kept(api.POST('/api/larder/stock/{id}/action', { ...path, body: { action } })) });
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
  const edit = useEdit();
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
        edit.run({
          say: `${number(grams ?? 0, 0)} g of ${item.name} are left.`,
          ask: () => kept(api.PUT('/api/larder/stock/{id}/amount', { params: { path: { id: item.id } }, body: { grams: grams ?? 0 } })),
          last: () => setTyped(null),
        });
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

const goings: [Schemas['BoxEventKind'], string, string][] = [
  ['eaten', 'Eaten', 'is eaten'],
  ['given', 'Given away', 'is given away'],
  ['discarded', 'Thrown away', 'is thrown away'],
];

/** A box of a session, until it is eaten. */
export function Box({ box, today }: { box: Schemas['StockBox']; today: string }) {
  const edit = useEdit();
  const path = { params: { path: { batch: box.batchId, box: box.id } } };
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
        {box.mayGo &&
          goings.map(([kind, word, say]) => (
            <Button
              key={kind}
              look="bare"
              className="min-h-11 md:min-h-9"
              aria-label={`${box.tape} ${box.dish}: ${word.toLowerCase()}`}
              onClick={() =>
                edit.run({
                  say: `${box.dish} ${say}.`,
                  ask: () =>
                    kept(
                      api.POST('/api/batches/{batch}/boxes/{box}/events', {
                        ...path,
                        body: { kind, at: new Date().toISOString(), portions: null, reason: '' },
                      }),
                    ),
                })
              }
            >
              {word}
            </Button>
          ))}
      </div>
    </li>
  );
}
