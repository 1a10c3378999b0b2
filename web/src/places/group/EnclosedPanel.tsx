import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { ProblemNote } from '../../pieces/ProblemNote';
import { useEdit } from '../../pieces/useEdit';
import { countedKinds, enclosedKinds, manyOf, useEnclosed } from './enclosed';

type Thing = Schemas['EnclosedSheet'];

const keyOf = ({ kind, name }: Thing) => `${kind} ${name}`;

const stateSays: Record<Thing['state'], string> = {
  new: '',
  there: '',
  newer: 'a newer one than you took over',
  own: 'yours is another one',
  ownAndNewer: 'you changed yours, and the group has a newer one',
};

/** What goes with a group's menus besides recipes, to take over into the own kitchen. */
export function EnclosedPanel({ group }: { group: string }) {
  const things = useEnclosed(group).data ?? [];
  if (things.length === 0) return null;
  const newer = things.filter((one) => one.state === 'newer' || one.state === 'ownAndNewer').length;
  const fresh = things.filter((one) => one.state === 'new');
  return (
    <Disclosure as="div" className="text-sm">
      <p className="text-steel">
        {fresh.length > 0
          ? `With its menus come ${countedKinds(fresh)} that your kitchen has not. `
          : 'All that comes with its menus is in your kitchen. '}
        {newer > 0 && <b className="text-rim">{newer === 1 ? 'One is newer' : `${newer} are newer`} than what you took over. </b>}
        <DisclosureButton className="min-h-6 font-semibold text-cobalt hover:underline">Look at them</DisclosureButton>
      </p>
      <DisclosurePanel>{({ close }) => <TakeOver group={group} things={things} onDone={() => close()} />}</DisclosurePanel>
    </Disclosure>
  );
}

function TakeOver({ group, things, onDone }: { group: string; things: Thing[]; onDone: () => void }) {
  const edit = useEdit();
  // What is one's own stays unless it is ticked.
  const [ticked, setTicked] = useState(() => new Set(things.filter((one) => one.state === 'new' || one.state === 'newer').map(keyOf)));
  const chosen = things.filter((one) => ticked.has(keyOf(one)));
  const tick = (of: Thing[], isOn: boolean) => {
    const next = new Set(ticked);
    for (const one of of)
      if (isOn) next.add(keyOf(one));
      else next.delete(keyOf(one));
    setTicked(next);
  };
  const take = () =>
    void edit
      .run({
        say: `In your kitchen now: ${countedKinds(chosen)}.`,
        isTold: true,
        ask: () =>
          kept(
            api.POST('/api/groups/{group}/enclosed', {
              params: { path: { group } },
              body: { things: chosen.map(({ kind, name }) => ({ kind, name })) },
            }),
          ),
      })
      .then((isDone) => isDone && onDone());
  return (
    <div className="mt-2 max-w-2xl space-y-3">
      <p className="max-w-prose text-steel">
        They become yours: a packet or protocol of the same name gets a new version, and what you cooked or planned keeps its own. A
        protocol is followed once you choose it at Table.
      </p>
      {enclosedKinds.map(([kind, , plural]) => {
        const all = things.filter((one) => one.kind === kind);
        const open = all.filter((one) => one.state !== 'there');
        return (
          all.length > 0 && (
            <fieldset key={kind}>
              <legend className="font-semibold first-letter:uppercase">{plural}</legend>
              {open.length > 1 && (
                <Button look="bare" className="-ml-1" onClick={() => tick(open, !open.every((one) => ticked.has(keyOf(one))))}>
                  {open.every((one) => ticked.has(keyOf(one))) ? 'None of them' : 'All of them'}
                </Button>
              )}
              <ul>
                {open.map((one) => (
                  <li key={one.name} className="border-t border-line first:border-t-0">
                    <label className="flex min-h-9 flex-wrap items-center gap-x-2">
                      <input
                        type="checkbox"
                        checked={ticked.has(keyOf(one))}
                        onChange={(event) => tick([one], event.target.checked)}
                        className="size-4 accent-cobalt"
                      />
                      {one.name}
                      <span className="text-steel">{[one.says, stateSays[one.state]].filter(Boolean).join('; ')}</span>
                    </label>
                  </li>
                ))}
              </ul>
              {all.length > open.length && (
                <p className="text-steel">
                  {open.length > 0 ? `${manyOf(kind, all.length - open.length)} more` : manyOf(kind, all.length)}, which you have as the
                  group has {all.length - open.length === 1 ? 'it' : 'them'}.
                </p>
              )}
            </fieldset>
          )
        );
      })}
      <ProblemNote of={edit.problem} />
      <Button look="main" disabled={edit.isPending || chosen.length === 0} onClick={take}>
        {chosen.length === 0 ? 'Take over' : `Take over ${countedKinds(chosen)}`}
      </Button>
    </div>
  );
}
