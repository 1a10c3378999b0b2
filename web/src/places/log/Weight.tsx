import { type FormEvent, useState } from 'react';
import { api, kept } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { countsInOunces, dayMonth, number, typedNumber } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import type { Page } from './eating';

/** kg in a pound (domain.md section 7). */
const pound = 0.453592;

const shown = (kg: number) => (countsInOunces() ? `${number(kg / pound, 1)} lb` : `${number(kg, 1)} kg`);

/** Body weight: nothing of it is kept until somebody turns it on; no praise, no blame, no line that goes down. */
export function Weight({ page }: { page: Page }) {
  const edit = useEdit();
  const [typed, setTyped] = useState('');
  const [isSure, setSure] = useState(false);
  const path = { params: { path: { eater: page.eaterId } } };
  const name = page.eaters.find((eater) => eater.id === page.eaterId)?.name ?? '';
  const turn = (isOn: boolean) =>
    void edit
      .run({ ask: () => kept(api.PUT('/api/table/eaters/{eater}/weighing', { ...path, body: { isOn } })) })
      .then(() => setSure(false));
  if (!page.weight)
    return (
      <section aria-label="Body weight" className="mt-6 border-t border-line pt-2 text-sm">
        <p className="text-steel">Body weight is not kept.</p>
        <Button look="bare" className="min-h-11 sm:min-h-9" disabled={edit.isPending} onClick={() => turn(true)}>
          Keep {name}’s
        </Button>
      </section>
    );
  const { newest, pace } = page.weight;
  const note = (kg: number | null, on: string) =>
    edit.run({
      ask: () => kept(api.PUT('/api/table/eaters/{eater}/weight', { ...path, body: { on, kg } })),
      last: () => setTyped(''),
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = typedNumber(typed);
    if (read !== null && read > 0) void note(countsInOunces() ? Math.round(read * pound * 100) / 100 : read, page.day);
  };
  return (
    <section aria-label="Body weight" className="mt-6 border-t border-line pt-2 text-sm">
      <h3 className="text-base">Body weight</h3>
      {pace && (
        <div className="my-2 border border-rim p-2">
          <p>{pace}</p>
          <Button look="bare" onClick={() => void edit.run({ ask: () => kept(api.PUT('/api/table/eaters/{eater}/weighing/seen', path)) })}>
            I have read it
          </Button>
        </div>
      )}
      <form onSubmit={submit} className="my-1 flex items-center gap-2">
        <label className="flex items-center gap-2">
          {page.day === page.today ? 'Today' : dayMonth(page.day)}
          <input
            inputMode="decimal"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            className={`figures ${inputLook} w-20 text-right`}
          />
          {countsInOunces() ? 'lb' : 'kg'}
        </label>
        <Button type="submit" disabled={!typed.trim() || edit.isPending}>
          Note it
        </Button>
      </form>
      <ul className="figures">
        {newest.slice(0, 6).map((one) => (
          <li key={one.on} className="flex items-baseline gap-3">
            <span className="w-14 text-steel">{dayMonth(one.on)}</span>
            <span className="w-16 text-right">{shown(one.kg)}</span>
            <Button
              look="bare"
              className="min-h-6! text-xs"
              aria-label={`Strike out ${shown(one.kg)} of ${dayMonth(one.on)}`}
              onClick={() => void note(null, one.on)}
            >
              strike out
            </Button>
          </li>
        ))}
      </ul>
      {isSure ? (
        <p className="mt-1">
          {newest.length === 0 ? 'Nothing more is asked.' : 'The weights are forgotten.'}{' '}
          <Button look="bare" onClick={() => turn(false)}>
            Yes
          </Button>{' '}
          <Button look="bare" onClick={() => setSure(false)}>
            No
          </Button>
        </p>
      ) : (
        <Button look="bare" className="mt-1 text-xs" onClick={() => setSure(true)}>
          Stop keeping it
        </Button>
      )}
    </section>
  );
}
