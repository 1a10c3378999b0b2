import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Problem, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Choice, Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { number, portions as portionsWord, typedNumber } from '../../pieces/show';
import { useSettled } from '../../pieces/useSettled';
import { type Sheet, useSaveRecipe } from './queries';
import { TooLarge, useVessels } from './Vessels';

type Way = 'portions' | 'pieces' | 'atHand' | 'portionHas';

const ways: [Way, string][] = [
  ['portions', 'so many portions'],
  ['pieces', 'so many pieces'],
  ['atHand', 'what is at hand'],
  ['portionHas', 'what a portion may have'],
];

const measures: [string, string][] = [
  ['energy', 'kcal'],
  ['netCarbohydrate', 'g net carbs'],
  ['points', 'points'],
];

/** The recipe for another amount: looked at first, then saved or left. */
export function ScaleDialog({ sheet, id, onClose }: { sheet: Sheet; id: string; onClose: () => void }) {
  const [way, setWay] = useState<Way>('portions');
  const [typed, setTyped] = useState('');
  const [line, setLine] = useState(sheet.lines.find((one) => one.grams !== null)?.id ?? '');
  const [measure, setMeasure] = useState('energy');
  const value = useSettled(typedNumber(typed));
  const { save, isPending } = useSaveRecipe(id);
  const scaled = useQuery({
    queryKey: ['recipes', id, 'scale', way, value, line, measure],
    enabled: value !== null && value > 0,
    retry: false,
    queryFn: () =>
      take(
        api.GET('/api/recipes/{id}/scale', {
          params: {
            path: { id },
            query:
              way === 'portions'
                ? { Portions: value ?? 0 }
                : way === 'pieces'
                  ? { Pieces: value ?? 0 }
                  : way === 'atHand'
                    ? { Line: line, Grams: value ?? 0 }
                    : { Measure: measure, AtMost: value ?? 0 },
          },
        }),
      ),
  });
  const found = value !== null && value > 0 ? scaled.data : undefined;
  const vessels = useVessels(found ? id : '', found && found.times !== 1 ? sheet.portions * found.times : null);
  const hasPieces = sheet.parts.length > 0 && sheet.parts.every((part) => part.madeUnit === 'pieces' && part.madeAmount !== null);
  return (
    <SheetDialog title={`${sheet.name} for another amount`} onClose={onClose} wide>
      <div className="space-y-4">
        <div className="flex flex-wrap items-end gap-3">
          <Choice
            label="By"
            value={way}
            onChange={(next) => setWay(next as Way)}
            options={ways.filter(([key]) => hasPieces || key !== 'pieces')}
          />
          <Field
            label={way === 'portions' ? 'Portions' : way === 'pieces' ? 'Pieces' : way === 'atHand' ? 'Grams at hand' : 'At most'}
            value={typed}
            onChange={setTyped}
            inputMode="decimal"
            className="w-28"
          />
          {way === 'atHand' && (
            <Choice
              label="Of"
              value={line}
              onChange={setLine}
              options={sheet.lines.filter((one) => one.grams !== null).map((one): [string, string] => [one.id, one.text])}
            />
          )}
          {way === 'portionHas' && <Choice label="Of" value={measure} onChange={setMeasure} options={measures} />}
        </div>
        <ProblemNote of={scaled.error instanceof Problem ? scaled.error : null} />
        {found && (
          <div aria-live="polite">
            <p className="mb-2">
              <b>{portionsWord(found.portions)} portions</b>
              {found.times === 1 ? ' of the batch as it is.' : `, ${number(found.times)} times the recipe.`}
            </p>
            <TooLarge vessels={vessels.data} />
            <table className="w-full text-sm">
              <thead className="sr-only">
                <tr>
                  <th>In the recipe</th>
                  <th>Then</th>
                </tr>
              </thead>
              <tbody>
                {found.lines.map((one) => (
                  <tr key={one.was} className="border-t border-line align-top">
                    <td className="py-1 pr-3 text-steel">{one.was}</td>
                    <td className="py-1 font-semibold">
                      {one.text}
                      {one.note && <span className="block text-xs font-normal text-steel">{one.note}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <div className="mt-3 flex justify-end">
              <Button
                look="main"
                disabled={isPending}
                onClick={() =>
                  save(found.draft, { say: `${sheet.name} makes ${portionsWord(found.portions)} portions now.`, first: onClose })
                }
              >
                Write the recipe so
              </Button>
            </div>
          </div>
        )}
      </div>
    </SheetDialog>
  );
}
