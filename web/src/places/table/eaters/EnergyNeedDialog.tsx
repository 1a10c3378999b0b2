import { useMutation } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, Problem, take } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { Choice, Field } from '../../../pieces/Field';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { SheetDialog } from '../../../pieces/Sheet';
import { number, typedNumber } from '../../../pieces/show';

/** Reckons an energy need by its formula. What is typed here is not kept; only a target that is used becomes an allowance. */
export function EnergyNeedDialog({ name, onClose, onUse }: { name: string; onClose: () => void; onUse: (target: number) => void }) {
  const [sex, setSex] = useState('woman');
  const [typed, setTyped] = useState({ kilograms: '', centimetres: '', years: '', activity: '1.4', deficitPercent: '0' });
  const set = (key: keyof typeof typed) => (value: string) => setTyped({ ...typed, [key]: value });
  const need = useMutation({
    mutationFn: () => {
      const of = (key: keyof typeof typed) => typedNumber(typed[key]) ?? 0;
      return take(
        api.POST('/api/table/energy-need', {
          body: {
            sex: sex === 'man' ? 'man' : 'woman',
            kilograms: of('kilograms'),
            centimetres: of('centimetres'),
            years: of('years'),
            activity: of('activity'),
            deficitPercent: of('deficitPercent'),
          },
        }),
      );
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    event.stopPropagation();
    need.mutate();
  };
  const problem = need.error instanceof Problem ? need.error : null;
  return (
    <SheetDialog title={`An energy need for ${name}`} onClose={onClose}>
      <form onSubmit={submit} className="space-y-3">
        <p className="text-sm text-steel">
          Mifflin–St Jeor 1990: 10 · kg + 6.25 · cm − 5 · years, + 5 for men, − 161 for women; times activity, less a deficit. A start for a
          talk, not a prescription. Nothing typed here is kept.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <Choice
            label="Formula for"
            value={sex}
            onChange={setSex}
            options={[
              ['woman', 'a woman'],
              ['man', 'a man'],
            ]}
          />
          <Field label="Weight, kg" inputMode="decimal" value={typed.kilograms} onChange={set('kilograms')} />
          <Field label="Height, cm" inputMode="decimal" value={typed.centimetres} onChange={set('centimetres')} />
          <Field label="Age, years" inputMode="decimal" value={typed.years} onChange={set('years')} />
          <Field
            label="Activity, 1.2 to 1.9"
            hint="1.2 sitting, 1.4 light, 1.6 on the feet, 1.9 hard work"
            inputMode="decimal"
            value={typed.activity}
            onChange={set('activity')}
          />
          <Field label="Deficit, %" hint="0 to 25" inputMode="decimal" value={typed.deficitPercent} onChange={set('deficitPercent')} />
        </div>
        <ProblemNote of={problem} />
        <Button type="submit" look={need.data ? 'quiet' : 'main'} disabled={need.isPending}>
          Reckon
        </Button>
      </form>
      {need.data && (
        <div className="mt-4 border-t border-line pt-3">
          <dl className="figures grid grid-cols-[1fr_auto] gap-y-1 text-sm">
            <dt className="text-steel">At rest</dt>
            <dd>{number(need.data.resting, 0)} kcal a day</dd>
            <dt className="text-steel">Keeps the weight</dt>
            <dd>{number(need.data.need, 0)} kcal a day</dd>
            <dt className="text-steel">With the deficit</dt>
            <dd className="font-semibold">{number(need.data.target, 0)} kcal a day</dd>
            {need.data.paceKilograms > 0 && (
              <>
                <dt className="text-steel">Pace, by the rule of thumb of 7,700 kcal a kg</dt>
                <dd>{number(need.data.paceKilograms, 2)} kg a week</dd>
              </>
            )}
          </dl>
          {need.data.cautions.map((caution) => (
            <p key={caution} className="mt-2 text-sm">
              {caution}
            </p>
          ))}
          <Button look="main" className="mt-3" onClick={() => onUse(need.data.target)}>
            Use {number(need.data.target, 0)} kcal
          </Button>
        </div>
      )}
    </SheetDialog>
  );
}
