import { Button } from '../../pieces/Button';
import { Tick } from '../../pieces/Tick';
import { useTyped } from '../../pieces/useTyped';
import type { BoardEdits, Place, Serving } from './queries';

const nothing = { state: 'planned', isLocked: false, note: '' } as const;

const states: [Serving['state'], string][] = [
  ['planned', 'planned'],
  ['out', 'eats out'],
  ['skipped', 'nothing, on purpose'],
];

/** Eats out, left alone, a note. */
export function SayOfMeal({ serving, place, edits }: { serving: Serving | null; place: Place; edits: BoardEdits }) {
  const { state, isLocked, note } = serving ?? nothing;
  const typed = useTyped(note);
  const keep = () => {
    const { text } = typed;
    if (text.trim() === note) return;
    void edits.say(place, { state, isLocked, note: text }, 'The note is kept.').then((isDone) => isDone && typed.kept(text));
  };
  return (
    <section className="mt-5 space-y-2 border-t border-line pt-3 text-sm">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <label className="flex items-center gap-2">
          This meal
          <select
            aria-label="How this meal goes"
            value={state}
            onChange={(event) =>
              void edits.say(place, { state: event.target.value as Serving['state'], isLocked, note }, 'The meal is changed.')
            }
            className="min-h-9 rounded-sm border border-slate bg-enamel px-2"
          >
            {[
              ...states,
              ...(state === 'eaten' || state === 'partly' ? [[state, state === 'eaten' ? 'eaten' : 'partly eaten'] as const] : []),
            ].map(([key, word]) => (
              <option key={key} value={key}>
                {word}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-9 items-center gap-2">
          <Tick
            isTicked={isLocked}
            onTick={(isTicked) =>
              void edits.say(place, { state, isLocked: isTicked, note }, isTicked ? 'The meal is locked.' : 'The meal is free.')
            }
            className="size-4"
          />
          locked
        </label>
      </div>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
        // Who goes on to another meal has said it too.
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) keep();
        }}
      >
        <input
          aria-label="Note"
          placeholder="A note, for example: take the small box"
          value={typed.text}
          maxLength={200}
          onChange={(event) => typed.type(event.target.value)}
          className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2"
        />
        {typed.text.trim() !== note && <Button type="submit">Keep</Button>}
      </form>
    </section>
  );
}
