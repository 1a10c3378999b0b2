import { type FormEvent, useState } from 'react';
import { api, Problem, type Schemas, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import type { TableEdit } from './TablePage';

type Rule = Schemas['TableRule'];

const parse = (typed: string) => (typed.trim() === '' ? null : Number(typed.replace(',', '.')));

/** A rule as a sentence, with the numbers that this eater states for it. */
export function AllowanceRow({ rule, eater, edit }: { rule: Rule; eater: Schemas['TableEater']; edit: TableEdit }) {
  const [atLeast, setAtLeast] = useState(rule.atLeast?.toString() ?? '');
  const [atMost, setAtMost] = useState(rule.atMost?.toString() ?? '');
  const [clinicalTeam, setClinicalTeam] = useState(false);
  const asks = rule.asksAtLeast || rule.asksAtMost;
  const [low, high] = [parse(atLeast), parse(atMost)];
  const wrong = [low, high].some((value) => value !== null && !(value >= 0));
  const changed = low !== rule.atLeast || high !== rule.atMost;
  const problem = edit.error instanceof Problem ? edit.error : null;

  const submit = (event: FormEvent) => {
    event.preventDefault();
    edit.mutate({
      say: `${eater.name}: ${rule.sentence.split(':')[0]} is stated.`,
      ask: () =>
        take(
          api.PUT('/api/table/eaters/{eater}/allowance', {
            params: { path: { eater: eater.id } },
            body: { protocol: rule.protocol, rule: rule.rule, atLeast: low, atMost: high, clinicalTeam },
          }),
        ),
    });
  };

  return (
    <li className="border-t border-line py-2 text-sm">
      <form onSubmit={submit} className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="flex min-w-48 flex-1 items-center gap-2">
          {rule.needsAllowance && <Lozenge verdict="cannotTell" size={13} />}
          {rule.sentence}
        </span>
        {rule.asksAtLeast && <NumberField label="at least" unit={rule.unit} value={atLeast} onChange={setAtLeast} about={rule.sentence} />}
        {rule.asksAtMost && <NumberField label="at most" unit={rule.unit} value={atMost} onChange={setAtMost} about={rule.sentence} />}
        {asks && (
          <Button type="submit" disabled={!changed || wrong || edit.isPending}>
            {rule.needsAllowance ? 'State it' : 'Change'}
          </Button>
        )}
      </form>
      {rule.needsAllowance && <p className="text-xs text-steel">Nobody stated it yet, so this rule can’t tell anything.</p>}
      {rule.caution && <p className="text-xs text-steel">{rule.caution}</p>}
      {problem?.code === 'clinical-team' && rule.rule === 'energy' && (
        <label className="mt-1 flex items-center gap-2 text-xs">
          <input type="checkbox" checked={clinicalTeam} onChange={(event) => setClinicalTeam(event.target.checked)} /> My clinical team set
          this
        </label>
      )}
    </li>
  );
}

function NumberField({
  label,
  unit,
  value,
  onChange,
  about,
}: {
  label: string;
  unit: string | null;
  value: string;
  onChange: (value: string) => void;
  about: string;
}) {
  return (
    <label className="flex items-center gap-1.5">
      <span className="text-steel">{label}</span>
      <input
        inputMode="decimal"
        aria-label={`${label}, ${unit ?? ''}: ${about}`}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className={`${inputLook} figures w-20 text-right`}
      />
      <span className="text-steel">{unit}</span>
    </label>
  );
}
