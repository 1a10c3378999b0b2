import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SecretLink } from '../../pieces/SecretLink';
import { dayMonth } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { InviteByList } from './InviteByList';
import { people } from './people';
import type { Desk } from './queries';

/** How many members there are, and the links that let more in. */
export function People({ desk }: { desk: Desk }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const [uses, setUses] = useState('20');
  const [path, setPath] = useState('');
  const make = () =>
    void edit.run({
      ask: () => kept(api.POST('/api/groups/links', { body: { uses: Math.round(Number(uses)) || 0 } })),
      isTold: true,
      settle: async (made) => {
        setPath(made.path);
        await queries.invalidateQueries({ queryKey: ['group'] });
      },
    });
  return (
    <section>
      <h2 className="text-base">Members</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        {desk.members === 1 ? 'One member.' : `${desk.members} members.`} You see how many there are, not who. A link lets so many people in
        within two weeks.
      </p>
      {desk.isHelper ? (
        <p className="text-sm">A moderator of this desk lets people in.</p>
      ) : path ? (
        <SecretLink label="Link to join" path={path} />
      ) : (
        <div className="flex items-end gap-2">
          <Field label="For how many" inputMode="numeric" value={uses} onChange={setUses} className="w-28" />
          <Button disabled={edit.isPending} onClick={make}>
            Make a link
          </Button>
        </div>
      )}
      <ProblemNote of={edit.problem} className="mt-2" />
      {desk.links.length > 0 && (
        <ul aria-label="Open links" className="mt-3 text-sm">
          {desk.links.map((link) => (
            <li key={link.id} className="flex min-h-9 items-center justify-between border-t border-line last:border-b">
              <span>
                For {people(link.usesLeft)} more, until {dayMonth(link.expiresAt.slice(0, 10))}
              </span>
              <Button
                look="bare"
                disabled={desk.isHelper}
                onClick={() => {
                  setPath('');
                  void edit.run({
                    say: 'The link leads nowhere now.',
                    ask: () => kept(api.DELETE('/api/groups/links/{id}', { params: { path: { id: link.id } } })),
                  });
                }}
              >
                Withdraw it
              </Button>
            </li>
          ))}
        </ul>
      )}
      {!desk.isHelper && <InviteByList desk={desk} />}
    </section>
  );
}
