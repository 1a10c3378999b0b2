import { useState } from 'react';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { dayMonth } from '../../pieces/show';
import { Words } from '../../pieces/Words';
import { useRecipes } from '../recipes/queries';
import { useBringing, useOwnSubmissions } from './brought';

const stateSaid = {
  waiting: 'waits at the desk',
  askedBack: 'asked back',
  takenUp: 'in the group’s library',
  declined: 'declined',
} as const;

/** Recipes that one brings to a group, and what the desk said of them. */
export function BringRecipe({ group }: { group: string }) {
  const own = useOwnSubmissions();
  const bringing = useBringing(group);
  const [sending, setSending] = useState<string | null>(null);
  return (
    <Asked of={own}>
      {(all) => {
        const sent = all.filter((one) => one.group === group);
        return (
          <section aria-label="Recipes that you bring">
            <div className="mb-2 flex flex-wrap items-center gap-3">
              <h2 className="mr-auto text-lg">Your recipes for the group</h2>
              <Button onClick={() => setSending(sending === '' ? null : '')} aria-expanded={sending === ''}>
                Bring a recipe
              </Button>
            </div>
            {sending === '' && <SendForm group={group} id={null} name="" onDone={() => setSending(null)} />}
            <ul className="text-sm">
              {sent.map((one) => (
                <li key={one.id} className="border-t border-line py-1.5 last:border-b">
                  <div className="flex flex-wrap items-baseline gap-x-3">
                    <b className="min-w-0 flex-1">{one.name}</b>
                    <span className="text-steel">
                      {stateSaid[one.state]}, sent {dayMonth(one.sentAt.slice(0, 10))}
                    </span>
                  </div>
                  {one.reply && (one.state === 'askedBack' || one.state === 'declined') && <p>The desk: {one.reply}</p>}
                  {(one.state === 'waiting' || one.state === 'askedBack') && (
                    <div className="flex gap-2">
                      <Button look="bare" onClick={() => setSending(one.id)}>
                        Send it again
                      </Button>
                      <Button look="bare" onClick={() => void bringing.takeBack(one.id)}>
                        Take it back
                      </Button>
                    </div>
                  )}
                  {sending === one.id && <SendForm group={group} id={one.id} name={one.name} onDone={() => setSending(null)} />}
                </li>
              ))}
            </ul>
          </section>
        );
      }}
    </Asked>
  );
}

function SendForm({ group, id, name, onDone }: { group: string; id: string | null; name: string; onDone: () => void }) {
  const recipes = useRecipes();
  const bringing = useBringing(group);
  const [recipe, setRecipe] = useState('');
  const [words, setWords] = useState('');
  const [isNamed, setNamed] = useState(false);
  return (
    <Asked of={recipes}>
      {(all) => {
        const chosen = recipe || all.find((one) => one.name === name)?.id || all[0]?.id;
        if (!chosen) return <p className="text-steel">Your library holds no recipe yet.</p>;
        return (
          <div className="mb-3 max-w-prose space-y-2 border-l-2 border-line pl-3">
            <p className="text-sm text-steel">
              The recipe goes as it is now, with what it uses and without your note on it. Nothing else of your kitchen goes along.
            </p>
            <Choice label="Recipe" value={chosen} onChange={setRecipe} options={all.map((one) => [one.id, one.name])} />
            <Words label="A word to the desk" value={words} onChange={setWords} rows={2} />
            <label className="flex min-h-9 items-center gap-2 text-sm">
              <input
                type="checkbox"
                checked={isNamed}
                onChange={(event) => setNamed(event.target.checked)}
                className="size-4 accent-cobalt"
              />
              With my name
            </label>
            <ProblemNote of={bringing.problem} />
            <Button
              look="main"
              disabled={bringing.isPending}
              onClick={() => void bringing.send(id, { recipe: chosen, isNamed, words }).then((isDone) => isDone && onDone())}
            >
              Send it
            </Button>
          </div>
        );
      }}
    </Asked>
  );
}
