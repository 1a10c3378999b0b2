import { Choice } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import { number } from '../../pieces/show';
import type { DraftLine } from './queries';

const measures: [string, string][] = [
  ['', 'as the words say'],
  ['weighed', 'weighed'],
  ['measured', 'by spoon or cup'],
  ['counted', 'counted'],
  ['byEye', 'by eye'],
];

const needs: [string, string][] = [
  ['', 'as the words say'],
  ['no', 'always in it'],
  ['yes', 'only for who wants it'],
];

const percent = (share: number | undefined) => Math.round((share ?? 1) * 1000) / 10;

/** What is said of a line beside its words, as words: "a half is eaten". */
export function saidOfLine(line: Pick<DraftLine, 'precision' | 'eatenShare' | 'keptFat' | 'isOptional'>): string[] {
  const said: string[] = [];
  const word = measures.find(([key]) => key && key === line.precision)?.[1];
  if (word) said.push(word);
  if (percent(line.eatenShare) !== 100)
    said.push(percent(line.eatenShare) === 0 ? 'taken out before eating' : `${number(percent(line.eatenShare))} % of it is eaten`);
  if (percent(line.keptFat) !== 100) said.push(`${number(percent(line.keptFat))} % of its fat is eaten`);
  if (line.isOptional === true) said.push('only for who wants it');
  if (line.isOptional === false) said.push('always in it');
  return said;
}

/** How a line was measured, how much of it is eaten, and the part of the dish it belongs to. */
export function LineFields({
  line,
  parts,
  onChange,
}: {
  line: DraftLine;
  parts: string[];
  onChange: (change: Partial<DraftLine>) => void;
}) {
  const isShare = (value: number) => value >= 0 && value <= 100;
  const set = (field: 'eatenShare' | 'keptFat') => (value: number | null) => onChange({ [field]: value === null ? 1 : value / 100 });
  return (
    <div className="order-last col-span-full mb-2 flex flex-wrap items-end gap-x-5 gap-y-2 border-l-2 border-line bg-tray px-3 py-2 text-sm">
      <Choice
        label="Measured"
        value={line.precision ?? ''}
        onChange={(value) => onChange({ precision: (value || null) as NonNullable<DraftLine['precision']> | null })}
        options={measures}
      />
      <div className="flex flex-col gap-1 font-semibold">
        <span aria-hidden="true">Of it is eaten</span>
        <NumberInput
          label="Share that is eaten"
          unit="%"
          value={percent(line.eatenShare)}
          isPossible={isShare}
          onChange={set('eatenShare')}
        />
      </div>
      <div className="flex flex-col gap-1 font-semibold">
        <span aria-hidden="true">Of its fat is eaten</span>
        <NumberInput
          label="Share of its fat that is eaten"
          unit="%"
          value={percent(line.keptFat)}
          isPossible={isShare}
          onChange={set('keptFat')}
        />
      </div>
      <Choice
        label="In the dish"
        value={line.isOptional === true ? 'yes' : line.isOptional === false ? 'no' : ''}
        onChange={(value) => onChange({ isOptional: value === '' ? null : value === 'yes' })}
        options={needs}
      />
      {parts.length > 1 && (
        <Choice
          label="Part"
          value={line.part}
          onChange={(part) => onChange({ part })}
          options={parts.map((name): [string, string] => [name, name || 'main part'])}
        />
      )}
      <p className="basis-full text-xs text-steel">
        Less than all is eaten of a marinade that stays in the bowl, of bones and skin, of a bay leaf. Drained or trimmed fat takes its
        energy with it. All of it is bought.
      </p>
    </div>
  );
}
