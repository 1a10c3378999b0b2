import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { takeBack } from '../../pieces/outbox';
import { numbersLine, portions } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { Besides } from './Besides';
import { type Item, type Meal, type Page, sayEaten } from './eating';

/** One meal: each of its things with what became of it, and what was eaten besides. */
export function MealLog({ page, meal, isNext }: { page: Page; meal: Meal; isNext: boolean }) {
  const [isAdding, setAdding] = useState(false);
  const unsaid = meal.items.filter((item) => item.share === null);
  return (
    <section aria-label={meal.name} className={`mb-3 border-x border-b border-line ${isNext ? 'rimmed' : 'border-t'}`}>
      <div className="flex items-center gap-x-3 bg-tray pl-3">
        <h3 className="text-base first-letter:uppercase">{meal.name}</h3>
        <span className="figures text-sm text-steel">{meal.at.slice(0, 5)}</span>
        <span className="flex-1" />
        {page.day <= page.today && (
          <Button
            look="bare"
            className="min-h-11 px-3 sm:min-h-9"
            aria-expanded={isAdding}
            aria-label={`Something else at ${meal.name}`}
            onClick={() => setAdding(!isAdding)}
          >
            {isAdding ? 'Close' : '+ Something else'}
          </Button>
        )}
      </div>
      {isAdding && <Besides page={page} meal={meal} />}
      {unsaid.length > 1 && page.day <= page.today && (
        <div className="px-3 pt-2">
          <Button
            className="min-h-11 w-full max-w-md sm:min-h-9"
            onClick={() =>
              void sayEaten(
                page,
                meal,
                unsaid.map((item) => ({ item: item.id, share: 1 })),
              )
            }
          >
            All of it eaten
          </Button>
        </div>
      )}
      {meal.note && <p className="px-3 pt-1 text-sm text-steel">{meal.note}</p>}
      {meal.items.length === 0 && <p className="px-3 py-2 text-sm text-steel">{nothing(meal)}</p>}
      <ul>
        {meal.items.map((item) => (
          <Thing
            key={item.id}
            item={item}
            isToCome={page.day > page.today}
            onSay={(share) => void sayEaten(page, meal, [{ item: item.id, share }])}
          />
        ))}
      </ul>
    </section>
  );
}

const nothing = (meal: Meal) =>
  meal.state === 'out'
    ? 'Eaten out.'
    : meal.state === 'skipped'
      ? 'Left out.'
      : meal.source === 'fresh'
        ? 'Bought or made fresh: say what it was.'
        : meal.source === 'out'
          ? 'Usually eaten out.'
          : 'Nothing is planned.';

const leftOut: [number, string] = [0, 'Left out'];
const ways: [number, string][] = [[1, 'Eaten'], [0.5, 'Half'], leftOut];

function Thing({ item, isToCome, onSay }: { item: Item; isToCome: boolean; onSay: (share: number | null) => void }) {
  const { share } = item;
  return (
    <li className="border-t border-line px-3 py-2 first:border-t-0">
      <div className="flex items-start gap-2">
        {item.letter && <Tape letter={item.tape} />}
        <div className="min-w-0 flex-1">
          <p className={share === 0 ? 'text-steel line-through' : ''}>
            {item.letter ? item.name : item.says || item.name}
            {item.letter && item.says !== '1 portion' && <span className="text-sm text-steel"> {item.says}</span>}
          </p>
          {share === null && item.keptIn === 'freezer' && <p className="text-sm">It is in the freezer.</p>}
          {share === null && item.keptIn === 'pastItsTime' && (
            <p className="text-sm font-semibold text-beet">Its time is over: do not eat it.</p>
          )}
          {share === null && item.atEating && <p className="text-sm">{item.atEating}.</p>}
          {item.numbers.length > 0 && share !== 0 && <p className="figures text-xs text-steel">{numbersLine(item.numbers)}</p>}
        </div>
        {item.isExtra && <span className="shrink-0 text-xs text-steel">besides</span>}
      </div>
      {item.isExtra ? (
        <div className="flex items-center gap-3 text-sm text-steel">
          {item.waits && <span>Not sent yet; it counts when it is.</span>}
          <Button
            look="bare"
            className="min-h-11"
            aria-label={`${item.says || item.name}: not so`}
            onClick={() => (item.waits ? void takeBack(item.waits) : onSay(null))}
          >
            Not so
          </Button>
        </div>
      ) : (
        <div className="mt-1 flex max-w-md">
          {(isToCome ? [leftOut] : ways).map(([way, word]) => (
            <Way key={word} item={item} way={way} word={word} onSay={onSay} />
          ))}
          {(!isToCome || (item.share !== null && item.share !== 0)) && <Others item={item} onSay={onSay} />}
        </div>
      )}
    </li>
  );
}

const look = 'min-h-11 flex-1 border border-line px-1 text-sm font-semibold -ml-px first:ml-0';
const pressed = 'relative border-cobalt! bg-cobalt text-on-cobalt';

const named = (item: Item) => (item.letter ? `${item.tape} ${item.name}` : item.says);

/** Pressed once more it is taken back. */
function Way({ item, way, word, onSay }: { item: Item; way: number; word: string; onSay: (share: number | null) => void }) {
  const isSaid = item.share === way;
  return (
    <button
      type="button"
      aria-pressed={isSaid}
      aria-label={`${named(item)}: ${word}`}
      className={`${look} ${isSaid ? pressed : 'text-cobalt hover:bg-tray'}`}
      onClick={() => onSay(isSaid ? null : way)}
    >
      {word}
    </button>
  );
}

function Others({ item, onSay }: { item: Item; onSay: (share: number | null) => void }) {
  const isOther = item.share !== null && ways.every(([way]) => way !== item.share);
  return (
    <Menu>
      <MenuButton aria-label={`${named(item)}: another share`} className={`${look} ${isOther ? pressed : 'text-cobalt hover:bg-tray'}`}>
        {isOther ? `${portions(item.share ?? 0)}${item.letter ? '' : '×'}` : <Ellipsis size={18} className="mx-auto" />}
      </MenuButton>
      <MenuItems anchor="top end" className="rimmed z-30 w-44 border-x border-b border-line p-1 text-sm shadow-lg">
        {[0.25, 0.75, ...(item.letter ? [] : [1.5, 2, 3])].map((share) => (
          <MenuItem key={share}>
            <button type="button" className="min-h-11 w-full px-2 text-left data-focus:bg-tray" onClick={() => onSay(share)}>
              {share < 1 ? `${portions(share)} of it` : `${portions(share)} times as much`}
            </button>
          </MenuItem>
        ))}
        {item.share !== null && (
          <MenuItem>
            <button type="button" className="min-h-11 w-full px-2 text-left data-focus:bg-tray" onClick={() => onSay(null)}>
              Say nothing of it
            </button>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  );
}
