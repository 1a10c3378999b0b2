import type { Problem, Schemas } from '../../api/client';
import { inputLook } from '../../pieces/Field';
import { number } from '../../pieces/show';
import { type Nutrient, nutrients } from './queries';

type Printed = Schemas['PrintedValue'][];

/** The panel as printed, and beside each value the range it stands for. */
export function PacketValues({
  typed,
  onChange,
  read,
  hasBatch,
  problem,
}: {
  typed: Printed;
  onChange: (values: Printed) => void;
  read: Schemas['ReadValue'][];
  hasBatch: boolean;
  problem: Problem | null;
}) {
  const said = new Map(read.map((value) => [value.nutrient, value]));
  const type = (nutrient: Nutrient, printed: string) =>
    onChange([...typed.filter((value) => value.nutrient !== nutrient), ...(printed === '' ? [] : [{ nutrient, printed }])]);
  return (
    <table className="w-full text-sm">
      <thead className="text-left text-xs text-steel">
        <tr>
          <th className="font-normal">As printed</th>
          <th className="font-normal">
            <span className="sr-only">value</span>
          </th>
          <th className="pl-3 text-right font-normal">stands for</th>
          <th className="pl-3 text-right font-normal">in 100 g</th>
          {hasBatch && <th className="pl-3 text-right font-normal">in the batch</th>}
        </tr>
      </thead>
      <tbody className="figures">
        {nutrients.map(([nutrient, word, unit]) => {
          const value = said.get(nutrient);
          const isWrong = problem?.field === nutrient;
          return (
            <tr key={nutrient} className="border-t border-line">
              <td className="py-1">
                <label htmlFor={`printed-${nutrient}`}>{word}</label>
              </td>
              <td className="py-1 whitespace-nowrap">
                <input
                  id={`printed-${nutrient}`}
                  value={typed.find((one) => one.nutrient === nutrient)?.printed ?? ''}
                  onChange={(event) => type(nutrient, event.target.value)}
                  aria-invalid={isWrong || undefined}
                  autoComplete="off"
                  className={`${inputLook} min-h-8! w-24 text-right ${isWrong ? 'border-beet' : ''}`}
                />{' '}
                <span className="text-steel">{nutrient === 'energy' ? 'kcal or kJ' : unit}</span>
              </td>
              <td className="py-1 pl-3 text-right whitespace-nowrap">{value && stretch(value.served)}</td>
              <td className="py-1 pl-3 text-right whitespace-nowrap">{value && stretch(value.perHundredGrams)}</td>
              {hasBatch && <td className="py-1 pl-3 text-right whitespace-nowrap">{value && stretch(value.batch)}</td>}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const stretch = (value: Schemas['ShownEstimate']) =>
  value.high === null
    ? 'not known'
    : value.low === value.high
      ? number(value.low, 2)
      : `${number(value.low, decimals(value))} to ${number(value.high, decimals(value))}`;

// Narrow ranges need their second decimal, or both ends look the same.
const decimals = (value: Schemas['ShownEstimate']) => ((value.high ?? 0) - value.low < 1 ? 2 : 1);
