import { CalendarClock } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { api, kept, type Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { Lozenge } from '../../../pieces/Lozenge';
import { dayMonth, number, typedNumber } from '../../../pieces/show';
import type { Eater, TableEdit } from '../queries';
import { EnergyNeedDialog } from './EnergyNeedDialog';

type Rule = Schemas['TableRule'];

/** A rule as a sentence, with the numbers that this eater states for it, by stage when the clinic gives stages. */
export function AllowanceRow({ rule, eater, edit, explains }: { rule: Rule; eater: Eater; edit: TableEdit; explains: boolean }) {
  const [atLeast, setAtLeast] = useState(rule.atLeast?.toString() ?? '');
  const [atMost, setAtMost] = useState(rule.atMost?.toString() ?? '');
  const [from, setFrom] = useState<string | null>(null);
  const [clinicalTeam, setClinicalTeam] = useState(false);
  const [isReckoning, setReckoning] = useState(false);
  const asks = rule.asksAtLeast || rule.asksAtMost;
  const [low, high] = [typedNumber(atLeast), typedNumber(atMost)];
  const wrong = [low, high].some((value) => value !== null && !(value >= 0));
  const changed = low !== rule.atLeast || high !== rule.atMost || from !== null;
  const { problem } = edit;

  const state = (bounds: { atLeast: number | null; atMost: number | null; from: string | null }) =>
    edit.run({
      say: `${eater.name}: ${rule.title.toLowerCase()} is stated.`,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/allowance', {
            params: { path: { eater: eater.id } },
            body: { protocol: rule.protocol, rule: rule.rule, ...bounds, clinicalTeam },
          }),
        ),
      last: () => setFrom(null),
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    state({ atLeast: low, atMost: high, from: from || null });
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
        {from !== null && (
          <label className="flex items-center gap-1.5">
            <span className="text-steel">from</span>
            <input
              type="date"
              aria-label={`From which day: ${rule.sentence}`}
              value={from}
              onChange={(event) => setFrom(event.target.value)}
              className={inputLook}
            />
          </label>
        )}
        {asks && (changed || rule.needsAllowance) && (
          <Button type="submit" disabled={!changed || wrong || from === '' || edit.isPending}>
            {rule.needsAllowance ? 'Set it' : 'Change'}
          </Button>
        )}
        {asks && (
          <Button
            look="bare"
            aria-pressed={from !== null}
            disabled={rule.needsAllowance}
            aria-label={`Another number from a date: ${rule.sentence}`}
            title="Another number from a date"
            onClick={() => setFrom(from === null ? '' : null)}
          >
            <CalendarClock size={16} />
          </Button>
        )}
      </form>
      {explains && <p className="text-xs text-steel">Nobody stated it yet, so this rule can’t tell anything.</p>}
      {rule.caution && <p className="text-xs text-steel">{rule.caution}</p>}
      {asks && rule.isEnergy && (
        <Button look="bare" className="min-h-6! px-0! text-xs" onClick={() => setReckoning(true)}>
          Work out a need
        </Button>
      )}
      {rule.stages.some((stage) => stage.from) && (
        <ul className="text-xs">
          {rule.stages.map((stage) => (
            <li key={stage.from ?? 'always'} className="flex items-center gap-2">
              <span className="figures">
                {stage.from ? `from ${dayMonth(stage.from)}` : 'until then'}:{' '}
                {[stage.atLeast !== null && `at least ${number(stage.atLeast)}`, stage.atMost !== null && `at most ${number(stage.atMost)}`]
                  .filter(Boolean)
                  .join(', ')}{' '}
                {rule.unit}
              </span>
              {stage.from && (
                <Button
                  look="bare"
                  className="min-h-6! text-xs"
                  onClick={() => state({ atLeast: null, atMost: null, from: stage.from })}
                  aria-label={`Take back the number from ${dayMonth(stage.from)}`}
                >
                  take back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {problem?.code === 'clinical-team' && rule.isEnergy && (
        <label className="mt-1 flex items-center gap-2 text-xs">
          <input type="checkbox" checked={clinicalTeam} onChange={(event) => setClinicalTeam(event.target.checked)} /> My clinical team set
          this
        </label>
      )}
      {isReckoning && (
        <EnergyNeedDialog
          name={eater.name}
          onClose={() => setReckoning(false)}
          onUse={(target) => {
            setAtMost(String(target));
            setReckoning(false);
          }}
        />
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
