import { NumberInput } from '../../pieces/NumberInput';
import { portions } from '../../pieces/show';
import type { VariantPortions } from './queries';

/** How many of a batch's portions are cooked in which variant; what is in none is as written. */
export function LotFields({
  names,
  all,
  value,
  onChange,
}: {
  names: string[];
  all: number;
  value: VariantPortions[];
  onChange: (value: VariantPortions[]) => void;
}) {
  const of = (name: string) => value.find((one) => one.variant === name)?.portions ?? 0;
  const rest = all - value.reduce((sum, one) => sum + one.portions, 0);
  const set = (variant: string, many: number) =>
    onChange([...value.filter((one) => one.variant !== variant), ...(many > 0 ? [{ variant, portions: many }] : [])]);
  return (
    <fieldset className="text-sm">
      <legend className="font-semibold">Of them</legend>
      <ul>
        <li className="flex min-h-9 items-center justify-between gap-3 border-b border-line">
          as written
          <span className={`figures font-semibold ${rest < 0 ? 'text-beet' : ''}`}>{portions(rest)}</span>
        </li>
        {names.map((name) => (
          <li key={name} className="flex min-h-9 items-center justify-between gap-3 border-b border-line">
            <span className="min-w-0">{name}</span>
            <NumberInput
              label={`Portions: ${name}`}
              unit=""
              value={of(name)}
              isPossible={(many) => many >= 0 && many % 0.25 === 0 && many - of(name) <= rest}
              onChange={(many) => set(name, many ?? 0)}
              className="w-14"
            />
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
