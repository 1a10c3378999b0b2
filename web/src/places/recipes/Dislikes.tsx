import { useQueryClient } from '@tanstack/react-query';
import { api, kept } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Tick } from '../../pieces/Tick';
import { guess, useEdit } from '../../pieces/useEdit';
import { partNames, type Sheet } from './queries';

/** Who would rather not have the dish, or a part of it. */
export function Dislikes({ sheet, id }: { sheet: Sheet; id: string }) {
  const edit = useEdit();
  const queries = useQueryClient();
  const parts = partNames(sheet).filter((name) => name && sheet.lines.some((line) => line.part === name));
  const set = (eaterId: string, eater: string, part: string, isDisliked: boolean) =>
    edit.run({
      ask: () => kept(api.PUT('/api/recipes/{id}/disliked', { params: { path: { id } }, body: { eaterId, part, isDisliked } })),
      guess: guess(['recipes', id, sheet.variant], (seen: Sheet) => ({
        ...seen,
        usual: seen.usual.map((one) =>
          one.eaterId === eaterId
            ? { ...one, dislikes: isDisliked ? [...one.dislikes, part] : one.dislikes.filter((other) => other !== part) }
            : one,
        ),
      })),
      settle: () => void askAnew(queries, ['recipes']),
      say: `${eater} ${isDisliked ? 'would rather not have' : 'likes'} ${part ? `the ${part} of ` : ''}${sheet.name}.`,
    });
  if (sheet.usual.length === 0) return null;
  return (
    <>
      {['', ...parts].map((part) => (
        <fieldset key={part} className="flex flex-wrap items-center gap-x-4 text-sm">
          <legend className="float-left text-steel">{part ? `Not the ${part} for` : 'Not liked by'}</legend>
          {sheet.usual.map(({ eaterId, eater, dislikes }) => (
            <label key={eaterId} className="flex min-h-9 items-center gap-1.5">
              <Tick isTicked={dislikes.includes(part)} onTick={(isTicked) => void set(eaterId, eater, part, isTicked)} />
              {eater}
            </label>
          ))}
        </fieldset>
      ))}
    </>
  );
}
