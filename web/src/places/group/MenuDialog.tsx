import { type FormEvent, useState } from 'react';
import { Button } from '../../pieces/Button';
import { Field, inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, weekStart } from '../../pieces/show';
import { type Menu, useMenuEdits } from './queries';

/** What a menu is called, when it begins, how long it is. */
export function MenuDialog({ menu, today, onDone }: { menu: Menu | null; today: string; onDone: (menu: Menu | null) => void }) {
  const edits = useMenuEdits();
  const [form, setForm] = useState({
    name: menu?.name ?? '',
    startsOn: menu?.startsOn ?? addDays(weekStart(today), 7),
    days: `${menu?.days ?? 7}`,
    note: menu?.note ?? '',
  });
  const set = (field: keyof typeof form) => (value: string) => setForm({ ...form, [field]: value });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = { ...form, days: Math.round(Number(form.days)) || 0 };
    if (menu) void edits.say(menu.id, body).then((isDone) => isDone && onDone(menu));
    else void edits.begin(body, onDone);
  };
  return (
    <SheetDialog title={menu ? menu.name : 'A new menu'} onClose={() => onDone(null)}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Field label="Name" value={form.name} onChange={set('name')} required />
        <div className="flex gap-3">
          <Field label="First day" type="date" value={form.startsOn} onChange={set('startsOn')} className="flex-1" required />
          <Field label="Days" inputMode="numeric" value={form.days} onChange={set('days')} className="w-24" required />
        </div>
        <label className="flex flex-col gap-1 text-sm font-semibold">
          What members read on top
          <textarea
            value={form.note}
            onChange={(event) => set('note')(event.target.value)}
            rows={3}
            className={`${inputLook} font-normal`}
          />
        </label>
        <ProblemNote of={edits.problem} />
        <Button type="submit" look="main" disabled={edits.isPending}>
          {menu ? 'Keep it' : 'Begin it'}
        </Button>
      </form>
    </SheetDialog>
  );
}
