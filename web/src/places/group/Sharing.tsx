import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { number } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { useTable } from '../table/queries';

type Group = Schemas['GroupSheet'];

function said({ protocols, allergies, portions }: Schemas['ShareSheet']) {
  return [
    protocols.length > 0 && protocols.join(', '),
    allergies.length > 0 && `allergic to ${allergies.join(', ')}`,
    portions !== 1 && `${number(portions)} portions of a dish`,
  ]
    .filter(Boolean)
    .join('; ');
}

/** What the group's desk may know of whoever is signed in: what they tick, by nobody's name. */
export function Sharing({ group }: { group: Group }) {
  return (
    <Disclosure as="div" className="text-sm">
      <p className="text-steel">
        {group.shared
          ? `You share, without your name: ${said(group.shared) || 'an eater who follows nothing'}.`
          : 'You share nothing of yourself.'}{' '}
        {group.shared?.isOutdated && <b className="text-rim">Your table has changed since: share it anew. </b>}
        <DisclosureButton className="min-h-6 font-semibold text-cobalt hover:underline">Change that</DisclosureButton>
      </p>
      <DisclosurePanel>{({ close }) => <ShareForm group={group} onDone={() => close()} />}</DisclosurePanel>
    </Disclosure>
  );
}

function ShareForm({ group, onDone }: { group: Group; onDone: () => void }) {
  const table = useTable();
  const edit = useEdit();
  const before = group.shared?.ticked;
  const [eater, setEater] = useState<string | null>(before?.eater ?? null);
  const [ticked, setTicked] = useState({
    protocols: before?.protocols ?? true,
    allergies: before?.allergies ?? true,
    portion: before?.portion ?? true,
  });
  const share = (whose: string, what: typeof ticked) =>
    void edit
      .run({
        say: 'That is what the desk may know now.',
        isTold: true,
        ask: () => kept(api.PUT('/api/groups/{group}/share', { params: { path: { group: group.id } }, body: { eater: whose, ...what } })),
      })
      .then((isDone) => isDone && onDone());
  return (
    <Asked of={table}>
      {({ eaters }) => {
        const whose = eaters.find((one) => one.id === eater)?.id ?? eaters[0]?.id;
        if (!whose) return <p className="mt-2 text-steel">Nobody sits at your table yet.</p>;
        return (
          <div className="mt-2 max-w-md space-y-2">
            <p className="text-steel">
              The moderator sees how many follow what and whom a dish does not suit, never who. Your numbers, weights and diaries stay in
              your kitchen.
            </p>
            <Choice label="Of whom" value={whose} onChange={setEater} options={eaters.map((one) => [one.id, one.name])} />
            {(
              [
                ['protocols', 'What they follow, with its choices'],
                ['allergies', 'Their allergies'],
                ['portion', 'How large a portion they usually take'],
              ] as const
            ).map(([key, words]) => (
              <label key={key} className="flex min-h-9 items-center gap-2">
                <input
                  type="checkbox"
                  checked={ticked[key]}
                  onChange={(event) => setTicked({ ...ticked, [key]: event.target.checked })}
                  className="size-4 accent-cobalt"
                />
                {words}
              </label>
            ))}
            <ProblemNote of={edit.problem} />
            <div className="flex gap-2">
              <Button look="main" disabled={edit.isPending} onClick={() => share(whose, ticked)}>
                Share this
              </Button>
              {group.shared && (
                <Button disabled={edit.isPending} onClick={() => share(whose, { protocols: false, allergies: false, portion: false })}>
                  Share nothing
                </Button>
              )}
            </div>
          </div>
        );
      }}
    </Asked>
  );
}
