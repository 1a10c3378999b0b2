import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { putIntoOutbox, takeBack } from '../../pieces/outbox';
import { dayMonth, mealName, number, numbersLine, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { momentOf, reasons, type ShownBox, sayings } from './boxes';

type Told = { kind: Schemas['BoxEventKind']; say: string; portions?: number | null; reason?: string };

export const tell = (box: ShownBox, { kind, say, portions: size = null, reason = '' }: Told) =>
  putIntoOutbox({
    kind: 'box',
    batch: box.batchId,
    box: box.id,
    say,
    body: { kind, at: momentOf(box, kind, new Date()), portions: size, reason },
  });

/** "240 g · sauce 60 g"; what nobody weighed is left out. */
const weighs = (box: ShownBox) =>
  box.parts
    .filter((part) => part.grams !== null)
    .map((part) => `${box.parts.length > 1 && part.name ? `${part.name.toLowerCase()} ` : ''}${number(part.grams ?? 0, 0)} g`)
    .join(' · ');

/** One container: what, whose, until when, and what becomes of it in one tap. */
export function BoxCard({ box, today }: { box: ShownBox; today: string }) {
  const said = sayings(box, today);
  return (
    <li className={`rimmed flex flex-col border-x border-b border-line px-3 py-2 text-sm ${box.isThere ? '' : 'border-dashed'}`}>
      <div className="flex items-start justify-between gap-2">
        <Tape letter={box.tape} name={box.dish} />
        <span className="figures shrink-0 text-xs text-steel">
          {box.number} of {box.of}
          {box.size !== 1 && ` · ${portions(box.size)} ${box.size > 1 ? 'portions' : 'portion'}`}
        </span>
      </div>
      <p className="mt-1">
        {box.place ? (
          <>
            <b>{box.eater}</b>, {weekday(box.place.date)} {dayMonth(box.place.date)} {mealName(box.place.meal)}
          </>
        ) : (
          <span className="text-steel">loose, nobody’s yet</span>
        )}
      </p>
      {box.isThere && box.place && box.keptIn !== 'pastItsTime' && (
        <p className="text-steel">{box.keptIn === 'freezer' ? 'In the freezer' : 'In the fridge'}</p>
      )}
      <Keeps box={box} today={today} />
      {box.atEating && <p>At eating: {box.atEating}.</p>}
      <p className="figures text-xs text-steel">
        {[weighs(box), box.container, numbersLine(box.numbers)].filter((one) => one !== '').join(' · ')}
      </p>
      <span className="flex-1" />
      {box.waits ? (
        <p className="mt-2 flex min-h-11 items-center gap-2 border-t border-line text-steel">
          <span className="flex-1">{box.waits.say} Not sent yet.</span>
          <Button look="bare" onClick={() => takeBack(box.waits?.id ?? '')}>
            Take back
          </Button>
        </p>
      ) : (
        said.length > 0 && (
          <div className="mt-2 flex border-t border-line">
            {said.map((one) => (
              <button
                key={one.word}
                type="button"
                className={look}
                aria-label={`${named(box)}: ${one.word}`}
                onClick={() => tell(box, one)}
              >
                {one.word}
              </button>
            ))}
            <ThrownAway box={box} />
          </div>
        )
      )}
    </li>
  );
}

const look =
  'min-h-11 min-w-min flex-auto px-1 text-xs font-semibold text-cobalt hover:bg-tray border-l border-line first:border-l-0 leading-tight';

const named = (box: ShownBox) => `${box.tape} ${box.dish}, ${box.number} of ${box.of}`;

function Keeps({ box, today }: { box: ShownBox; today: string }) {
  const on = (date: string) => `${weekday(date)} ${dayMonth(date)}`;
  const isOver = box.keptIn === 'pastItsTime';
  return (
    <p className={isOver ? 'font-semibold text-beet' : ''}>
      {box.isQuality
        ? `At its best until ${dayMonth(box.eatBy)}`
        : box.keptIn === 'freezer' && box.thaw
          ? `To the fridge ${box.isThere && box.thaw < today ? 'now' : `${weekday(box.thaw)} evening`}, eat by ${on(box.eatBy)}`
          : isOver && box.eatBy < today
            ? `Its time was over ${on(box.eatBy)}: do not eat it`
            : `Eat by ${on(box.eatBy)}`}
      {isOver && box.eatBy >= today && ', sooner than its meal'}
      {box.freezeBy && (
        <b className="block">
          {box.freezeBy === today ? 'Freeze it today' : `Freeze it by ${on(box.freezeBy)}`}: its meal comes later than it keeps
        </b>
      )}
    </p>
  );
}

function ThrownAway({ box }: { box: ShownBox }) {
  return (
    <Menu>
      <MenuButton className={look} aria-label={`${named(box)}: Thrown away`}>
        Thrown away
      </MenuButton>
      <MenuItems anchor="top end" className="rimmed z-30 w-44 border-x border-b border-line p-1 text-sm shadow-lg">
        {reasons.map((reason) => (
          <MenuItem key={reason}>
            <button
              type="button"
              className="min-h-11 w-full px-2 text-left first-letter:uppercase data-focus:bg-tray"
              onClick={() => tell(box, { kind: 'discarded', say: `${box.tape} ${box.dish} is thrown away: ${reason}.`, reason })}
            >
              {reason}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
