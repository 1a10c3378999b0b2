import { type FormEvent, useState } from 'react';
import { Button } from '../../pieces/Button';
import { Field, inputLook } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, weekStart } from '../../pieces/show';
import { Words } from '../../pieces/Words';
import { type Menu, useMenuEdits } from './queries';

const mostTiers = 6;
const caution = 1200;

type Tier = { key: number; name: string; energyKcal: number | null };

/** What a menu is called, when it begins, how long it is, how much its members eat. */
export function MenuDialog({
  menu,
  again,
  today,
  onDone,
}: {
  menu: Menu | null;
  /** The menu that a new one is copied from. */
  again?: Menu | undefined;
  today: string;
  onDone: (menu: Menu | null) => void;
}) {
  const edits = useMenuEdits();
  const [tiers, setTiers] = useState<Tier[]>((menu?.tiers ?? []).map((tier, key) => ({ key, ...tier })));
  const [form, setForm] = useState({
    name: menu?.name ?? '',
    startsOn: menu?.startsOn ?? addDays(weekStart(today), 7),
    days: `${menu?.days ?? 7}`,
    note: menu?.note ?? '',
    deskNote: menu?.deskNote ?? '',
  });
  const set = (field: keyof typeof form) => (value: string) => setForm({ ...form, [field]: value });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = {
      ...form,
      days: Math.round(Number(form.days)) || 0,
      tiers: tiers.map(({ name, energyKcal }) => ({ name, energyKcal: Math.round(energyKcal ?? 0) })),
    };
    if (again) void edits.again(again.id, { name: form.name, startsOn: form.startsOn }, onDone);
    else if (menu) void edits.say(menu.id, body).then((isDone) => isDone && onDone(menu));
    else void edits.begin(body, onDone);
  };
  return (
    <SheetDialog title={again ? `${again.name} once more` : menu ? menu.name : 'A new menu'} onClose={() => onDone(null)}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Field label="Name" value={form.name} onChange={set('name')} required />
        <div className="flex gap-3">
          <Field label="First day" type="date" value={form.startsOn} onChange={set('startsOn')} className="flex-1" required />
          {!again && <Field label="Days" inputMode="numeric" value={form.days} onChange={set('days')} className="w-24" required />}
        </div>
        {!again && <Tiers tiers={tiers} onChange={setTiers} />}
        {!again && <Words label="What members read on top" value={form.note} onChange={set('note')} />}
        {!again && <Words label="For this desk alone" value={form.deskNote} onChange={set('deskNote')} />}
        <ProblemNote of={edits.problem} />
        <Button type="submit" look="main" disabled={edits.isPending}>
          {menu ? 'Keep it' : 'Begin it'}
        </Button>
      </form>
    </SheetDialog>
  );
}

/** Tiers: a bite more or less for those who eat more or less a day. */
function Tiers({ tiers, onChange }: { tiers: Tier[]; onChange: (tiers: Tier[]) => void }) {
  const change = (key: number, to: Partial<Tier>) => onChange(tiers.map((tier) => (tier.key === key ? { ...tier, ...to } : tier)));
  return (
    <fieldset className="text-sm">
      <legend className="font-semibold">Tiers</legend>
      <p className="mb-1 text-steel">For members who eat more or less a day. Each dish says then how much of it each tier has.</p>
      {tiers.map((tier, at) => (
        <div key={tier.key} className="mb-1 flex items-center gap-2">
          <input
            aria-label={`Name of tier ${at + 1}`}
            value={tier.name}
            onChange={(event) => change(tier.key, { name: event.target.value })}
            className={`${inputLook} min-w-0 flex-1`}
            required
          />
          <NumberInput
            label={`Energy of tier ${at + 1}`}
            unit="kcal"
            value={tier.energyKcal}
            onChange={(energyKcal) => change(tier.key, { energyKcal })}
            isPossible={(value) => value >= 800 && value <= 5000}
          />
          <Button look="bare" aria-label={`Leave tier ${at + 1} out`} onClick={() => onChange(tiers.filter((one) => one.key !== tier.key))}>
            Leave out
          </Button>
        </div>
      ))}
      {tiers.length < mostTiers && (
        <Button
          look="bare"
          onClick={() => onChange([...tiers, { key: Math.max(0, ...tiers.map((tier) => tier.key)) + 1, name: '', energyKcal: null }])}
        >
          Add a tier
        </Button>
      )}
      {tiers.some((tier) => tier.energyKcal !== null && tier.energyKcal < caution) && (
        <p className="mt-1 border-l-2 border-beet pl-2">
          Below {caution.toLocaleString('en')} kcal a day nobody should eat without professional advice. Say so on top of the menu.
        </p>
      )}
    </fieldset>
  );
}
