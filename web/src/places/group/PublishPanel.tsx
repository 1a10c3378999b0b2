import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { dayMonth } from '../../pieces/show';
import { type EnclosedKind, enclosedKinds, manyOf, useMenuEnclosures } from './enclosed';
import { HandOut } from './HandOut';
import { type Menu, useMenuEdits } from './queries';

/** "Beetroot; Carrot; Celeriac and 25 more". */
const someNames = (things: { name: string }[]) =>
  things
    .slice(0, 3)
    .map((one) => one.name)
    .join('; ') + (things.length > 3 ? ` and ${things.length - 3} more` : '');

/** What was published of a menu, and the way to publish it as it is now. */
export function PublishPanel({ group, menu, isHelper }: { group: string; menu: Menu; isHelper: boolean }) {
  const edits = useMenuEdits();
  const [changed, setChanged] = useState('');
  const [kept, setKept] = useState<EnclosedKind[]>([]);
  const enclosed = useMenuEnclosures(menu).data ?? [];
  const isCorrection = menu.issues.length > 0;
  const encloses = enclosedKinds.map(([kind]) => kind).filter((kind) => !kept.includes(kind));
  const publish = () => void edits.publish(menu.id, { changed, encloses }).then((isDone) => isDone && setChanged(''));
  return (
    <section>
      <h2 className="text-base">Publish</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        {isCorrection
          ? 'A published menu never changes. A correction is a new version that says what is different; members see it beside the menu.'
          : 'Members read the menu with its recipes as they are in this moment. What you change afterwards stays here until you publish it.'}
      </p>
      {isHelper && <p className="mb-2 text-sm">A moderator of this desk publishes it.</p>}
      {isCorrection && <Field label="What is different" value={changed} onChange={setChanged} className="mb-2 max-w-md" />}
      {enclosed.length > 0 && (
        <fieldset className="mb-2 text-sm">
          <legend>With it go, for members to take over:</legend>
          {enclosedKinds
            .map(([kind]) => [kind, enclosed.filter((one) => one.kind === kind)] as const)
            .filter(([, things]) => things.length > 0)
            .map(([kind, things]) => (
              <label key={kind} className="flex min-h-9 items-baseline gap-2 py-1">
                <input
                  type="checkbox"
                  checked={!kept.includes(kind)}
                  onChange={(event) => setKept(event.target.checked ? kept.filter((one) => one !== kind) : [...kept, kind])}
                  className="size-4 shrink-0 self-start accent-cobalt"
                />
                <span className="whitespace-nowrap">{manyOf(kind, things.length)}</span>
                <span className="text-steel">{someNames(things)}</span>
              </label>
            ))}
        </fieldset>
      )}
      <Button
        look="main"
        disabled={isHelper || edits.isPending || menu.dishes.length === 0 || (isCorrection && !changed.trim())}
        onClick={publish}
      >
        {isCorrection ? 'Publish the correction' : 'Publish'}
      </Button>
      {menu.dishes.length === 0 && <p className="mt-1 text-xs text-steel">Put a dish on a day first.</p>}
      <ProblemNote of={edits.problem} className="mt-2" />
      {isCorrection && (
        <div className="mt-3">
          <HandOut group={group} menu={menu.id} />
        </div>
      )}
      <ol className="mt-3 text-sm">
        {menu.issues.map((issue) => (
          <li key={issue.number} className="border-t border-line py-1 last:border-b">
            Version {issue.number}, {dayMonth(issue.publishedAt.slice(0, 10))}, {issue.by}
            {issue.changed && <span className="block text-steel">{issue.changed}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
