import type { Schemas } from '../../api/client';
import { dayMonth } from '../../pieces/show';

type Box = Schemas['ShelfBox'];

/** What stands in the freezer, what is to come, and how many boxes go in besides: a cell a box, what goes first in front. */
export function FreezerMap({ boxes, room }: { boxes: readonly Box[]; room: number | null }) {
  const frozen = boxes.filter((box) => box.keptIn === 'freezer').sort((one, other) => one.eatBy.localeCompare(other.eatBy));
  const there = frozen.filter((box) => box.isThere);
  const coming = frozen.filter((box) => !box.isThere);
  const left = room === null ? 0 : Math.max(0, room - frozen.length);
  const cell = 'figures flex h-8 min-w-10 items-center justify-center px-1 text-xs font-bold';
  return (
    <div className="mb-3">
      <p className="figures text-sm">
        {room === null ? `${there.length} in it` : `${there.length} of ${room} in it`}
        {coming.length > 0 && `, ${coming.length} to come`}
        {room !== null && (frozen.length > room ? <b>, {frozen.length - room} more than go in</b> : `, room for ${left} more`)}
      </p>
      {/* A picture: what each box is stands on its card below. */}
      <div role="img" aria-label="Freezer map" className="mt-1 flex flex-wrap gap-1">
        {[...there, ...coming].map((box) => (
          <span
            key={box.id}
            title={`${box.tape} ${box.dish}, at its best until ${dayMonth(box.eatBy)}`}
            className={`${cell} ${box.isThere ? 'torn bg-tape text-ink' : 'border border-dashed border-steel'}`}
          >
            {box.tape}
          </span>
        ))}
        {Array.from({ length: Math.min(left, 12) }, (_, at) => `empty ${at}`).map((place) => (
          <span key={place} className={`${cell} border border-dotted border-slate`} />
        ))}
      </div>
    </div>
  );
}
