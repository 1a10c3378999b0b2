import { useMutation } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import { api, Problem, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { type Draft, partNames, type Sheet } from './queries';

/** Where the recipe comes from, what its source says a portion has, and what the cook keeps in mind. */
export function ClaimEditor({
  draft,
  read,
  onChange,
}: {
  draft: Draft;
  /** the stated values as they were compared */
  read: Sheet['claims'];
  onChange: (change: Partial<Draft>) => void;
}) {
  const [of, setOf] = useState('');
  const claims = draft.claims ?? [];
  const parts = partNames(draft).filter(Boolean);
  const dishes: [string, string][] = [
    ['', 'the recipe as written'],
    ...(draft.variants ?? []).filter((variant) => variant.name.trim()).map(({ name }): [string, string] => [`variant ${name}`, name]),
    ...parts.map((name): [string, string] => [`part ${name}`, `the part ${name}`]),
  ];
  const add = (more: NonNullable<Draft['claims']>) => {
    const variant = of.startsWith('variant ') ? of.slice('variant '.length) : null;
    const part = of.startsWith('part ') ? of.slice('part '.length) : null;
    const said = more.map((claim) => ({ ...claim, variant, part }));
    const isSame = (one: (typeof claims)[number], other: (typeof claims)[number]) =>
      one.what === other.what && (one.variant ?? null) === (other.variant ?? null) && (one.part ?? null) === (other.part ?? null);
    onChange({ claims: [...claims.filter((one) => !said.some((other) => isSame(one, other))), ...said] });
  };
  return (
    <section>
      <h2 className="mb-1 text-lg">Where it comes from</h2>
      <div className="space-y-3">
        <Field
          label="Source"
          value={draft.source ?? ''}
          onChange={(source) => onChange({ source })}
          hint="A book, a page, who told you; empty when it is yours"
        />
        <div className="flex flex-wrap items-end gap-3">
          <StatedBox onRead={add} />
          {dishes.length > 1 && <Choice label="Said of" value={of} onChange={setOf} options={dishes} />}
        </div>
        {claims.length > 0 && (
          <ul className="figures grid gap-x-6 text-sm sm:grid-cols-2">
            {claims.map((claim, at) => {
              const found = read.find(
                (one) =>
                  one.claim.what === claim.what &&
                  (one.claim.variant ?? null) === (claim.variant ?? null) &&
                  (one.claim.part ?? null) === (claim.part ?? null),
              );
              const dish = claim.variant ?? claim.part;
              return (
                <li key={`${claim.what} ${dish ?? ''}`} className="flex items-start gap-2 border-t border-line py-1">
                  <span className="min-w-0 flex-1">
                    {found ? `${found.name} ` : ''}
                    <b>{found?.theirs ?? claim.value}</b>
                    {dish && <span className="text-steel"> of {dish}</span>}
                    {found?.because && <span className="block text-xs text-steel">{found.because}</span>}
                  </span>
                  <button
                    type="button"
                    aria-label={`Leave out ${found?.name ?? claim.what} ${found?.theirs ?? claim.value}`}
                    className="flex size-6 shrink-0 items-center justify-center text-steel hover:text-rim"
                    onClick={() => onChange({ claims: claims.filter((_, index) => index !== at) })}
                  >
                    <X size={14} />
                  </button>
                </li>
              );
            })}
          </ul>
        )}
        <label className="block text-sm font-semibold">
          Note
          <textarea
            rows={2}
            maxLength={4000}
            value={draft.note ?? ''}
            onChange={(event) => onChange({ note: event.target.value })}
            placeholder="Less salt next time; the small tray is enough"
            className={`${inputLook} mt-1 w-full font-normal`}
          />
        </label>
      </div>
    </section>
  );
}

function StatedBox({ onRead }: { onRead: (claims: NonNullable<Draft['claims']>) => void }) {
  const [text, setText] = useState('');
  const ask = useMutation({
    mutationFn: (typed: string) => take(api.POST('/api/recipes/read-claims', { body: { text: typed } })),
    onSuccess: (claims) => {
      onRead(claims);
      setText('');
    },
  });
  const problem = ask.error instanceof Problem ? ask.error : null;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && text.trim()) {
      event.preventDefault();
      ask.mutate(text);
    }
  };
  return (
    <div className="min-w-60 flex-1">
      <label htmlFor="stated" className="text-sm font-semibold">
        It says a portion has
      </label>
      <div className="mt-1 flex gap-2">
        <input
          id="stated"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={onKeyDown}
          placeholder="420 kcal, protein 41 g, 3 g net carbs"
          className={`${inputLook} min-w-0 flex-1`}
        />
        <Button onClick={() => ask.mutate(text)} disabled={!text.trim() || ask.isPending}>
          Compare
        </Button>
      </div>
      <ProblemNote of={problem} />
    </div>
  );
}
