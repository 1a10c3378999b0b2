import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, type Schemas, take } from '../../../api/client';
import { Asked } from '../../../pieces/Asked';
import { useAccount, useForgetEverything } from '../../../pieces/account';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { OpenByName } from '../../../pieces/OpenByName';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { SecretLink } from '../../../pieces/SecretLink';
import { dayMonth } from '../../../pieces/show';
import { useEdit } from '../../../pieces/useEdit';

type Page = Schemas['MembersPage'];

/** Who signs in to this kitchen, and who is asked to. */
export function MembersPage() {
  const members = useQuery({ queryKey: ['members'], queryFn: () => take(api.GET('/api/members')) });
  return (
    <Asked of={members}>
      {(page) => (
        <div className="grid gap-8 md:grid-cols-2">
          <Members page={page} />
          <div className="space-y-8">
            <Invite page={page} />
            <AnotherKitchen />
          </div>
        </div>
      )}
    </Asked>
  );
}

function Members({ page }: { page: Page }) {
  const edit = useEdit();
  const forget = useForgetEverything();
  const leave = (one: Page['members'][number]) =>
    edit.run({
      say: one.isMe ? 'You left the kitchen.' : `${one.name} has no more access.`,
      ask: () => kept(api.DELETE('/api/members/{account}', { params: { path: { account: one.account } } })),
      isTold: true,
      ...(one.isMe ? { settle: () => forget() } : {}),
    });
  const isDesk = useAccount().data?.person?.isDesk ?? false;
  const isHelper = page.members.some((one) => one.isMe && one.isHelper);
  const say = (one: Page['members'][number], isHelp: boolean) =>
    edit.run({
      say: isHelp ? `${one.name} is a helper.` : `${one.name} is a moderator.`,
      isTold: true,
      ask: () => kept(api.PUT('/api/members/{account}/role', { params: { path: { account: one.account } }, body: { isHelper: isHelp } })),
    });
  return (
    <section>
      <h2 className="text-base">Who signs in here</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        {isDesk
          ? 'Everybody here drafts menus, reviews recipes and answers. Only a moderator publishes, lets people in and says who is what.'
          : 'Everybody here sees and changes everything of this kitchen. Eaters need no account.'}
      </p>
      <ul>
        {page.members.map((one) => (
          <li key={one.account} className="flex min-h-11 items-center gap-3 border-t border-line last:border-b">
            <span className="min-w-0 flex-1">
              <b>{one.name}</b> {one.isMe && <span className="text-steel">(you)</span>}
              <span className="block truncate text-sm text-steel">{one.email}</span>
            </span>
            {isDesk && (
              <select
                aria-label={`What ${one.name} is here`}
                value={one.isHelper ? 'helper' : 'moderator'}
                disabled={isHelper}
                onChange={(event) => void say(one, event.target.value === 'helper')}
                className={inputLook}
              >
                <option value="moderator">moderator</option>
                <option value="helper">helper</option>
              </select>
            )}
            {page.members.length > 1 && (one.isMe || !isHelper) && (
              <Button look="bare" onClick={() => void leave(one)}>
                {one.isMe ? 'Leave this kitchen' : 'Take access away'}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <ProblemNote of={edit.problem} className="mt-2" />
    </section>
  );
}

function Invite({ page }: { page: Page }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const isDesk = useAccount().data?.person?.isDesk ?? false;
  const [link, setLink] = useState('');
  const invite = () =>
    edit.run({
      ask: () => kept(api.POST('/api/members/invitations')),
      isTold: true,
      settle: async (made) => {
        setLink(made.path);
        await queries.invalidateQueries({ queryKey: ['members'] });
      },
    });
  return (
    <section>
      <h2 className="text-base">{isDesk ? 'A helper' : 'Another adult'}</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        A link lets one person in, once, within a week. Whoever has it can use it: send it to nobody else.
      </p>
      {link ? (
        <SecretLink label="Link for one person" path={link} />
      ) : (
        <Button look="main" disabled={edit.isPending} onClick={() => void invite()}>
          Make a link
        </Button>
      )}
      <ProblemNote of={edit.problem} className="mt-2" />
      {page.invitations.length > 0 && (
        <ul aria-label="Open links" className="mt-3 text-sm">
          {page.invitations.map((one) => (
            <li key={one.id} className="flex min-h-9 items-center justify-between border-t border-line last:border-b">
              <span>
                A link of {one.madeBy}, open until {dayMonth(one.expiresAt.slice(0, 10))}
              </span>
              <Button
                look="bare"
                onClick={() => {
                  setLink('');
                  void edit.run({
                    say: 'The link leads nowhere now.',
                    ask: () => kept(api.DELETE('/api/members/invitations/{id}', { params: { path: { id: one.id } } })),
                  });
                }}
              >
                Take it back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function AnotherKitchen() {
  return (
    <section>
      <h2 className="text-base">Another kitchen of yours</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        A boat, a parent’s house: with a table, recipes and weeks of its own. Your name above changes between them.
      </p>
      <OpenByName label="Its name" word="Open it" open={(body) => kept(api.POST('/api/account/households', { body }))} />
    </section>
  );
}
