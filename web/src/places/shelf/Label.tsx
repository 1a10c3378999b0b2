import type { Schemas } from '../../api/client';
import { dayMonth, mealName, number, numbersLine, portions, weekday } from '../../pieces/show';

/** A container's label as printed: what, whose, made, eat by, what is in it for an allergy (before all that is read at leisure), how to reheat, what comes off or goes on, numbers. */
export function Label({ box, small = false }: { box: Schemas['ShelfBox']; small?: boolean }) {
  return (
    <article
      className={`flex break-inside-avoid text-ink ${small ? 'gap-1.5 p-0.5 text-[9px] leading-tight' : 'gap-3 border-2 border-ink p-2 text-xs'}`}
    >
      <b className={`font-display self-start border-b-2 border-ink leading-none ${small ? 'text-base' : 'text-2xl'}`}>{box.tape}</b>
      <div className="min-w-0 flex-1 leading-snug">
        <p className={`font-bold ${small ? 'text-[11px]' : 'text-sm'}`}>{box.dish}</p>
        <p>
          {box.eater ?? 'Nobody’s yet'}
          {box.place && `, ${weekday(box.place.date)} ${mealName(box.place.meal)}`} · {box.number} of {box.of}
          {box.size !== 1 && ` · ${portions(box.size)} ${box.size > 1 ? 'portions' : 'portion'}`}
        </p>
        <p>
          Made {weekday(box.madeOn)} {dayMonth(box.madeOn)}.{' '}
          <b>
            {box.keptIn === 'freezer' && (box.thaw ? `Freeze; to the fridge ${weekday(box.thaw)} evening. ` : 'Frozen. ')}
            {box.isQuality ? 'Best until' : `Eat by ${weekday(box.eatBy)}`} {dayMonth(box.eatBy)}.
          </b>{' '}
          {box.keepingNote && `${box.keepingNote}.`}
        </p>
        <p>
          {contained(box.allergens)}
          {box.hasUnknown && '; one line is unknown, ask before giving it to somebody with an allergy'}.
        </p>
        {box.reheating && <p>Reheat: {box.reheating}.</p>}
        {box.atEating && <p>At eating: {box.atEating}.</p>}
        <p className="figures">
          {box.parts
            .filter((part) => box.isThere && part.grams !== null)
            .map((part) => `${part.name ? `${part.name} ` : ''}${number(part.grams ?? 0, 0)} g · `)}
          {numbersLine(box.numbers)}
        </p>
      </div>
    </article>
  );
}

const perhaps = ' (may contain)';

/** "Contains: celery, fish. May contain: milk, mustard"; what is certain stands first. */
export function contained(allergens: readonly string[]): string {
  const sure = allergens.filter((one) => !one.endsWith(perhaps));
  const unsure = allergens.filter((one) => one.endsWith(perhaps)).map((one) => one.slice(0, -perhaps.length));
  return [
    sure.length > 0 ? `Contains: ${sure.join(', ')}` : unsure.length === 0 ? 'Contains: no listed allergen' : '',
    unsure.length > 0 ? `May contain: ${unsure.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('. ');
}
