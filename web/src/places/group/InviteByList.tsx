import { useRef, useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { ProblemNote } from '../../pieces/ProblemNote';
import { useEdit } from '../../pieces/useEdit';
import { Words } from '../../pieces/Words';
import { people } from './people';
import type { Desk } from './queries';

/** Asks people to join by a list of their addresses: each gets a mail with a link of their own. */
export function InviteByList({ desk }: { desk: Desk }) {
  const edit = useEdit();
  const [list, setList] = useState('');
  const [done, setDone] = useState<Schemas['InvitedSheet'] | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const send = () =>
    void edit.run({
      say: (sent) => (sent.invited === 0 ? 'Nobody new is in that list.' : `${mails(sent.invited)} in the outbox, under Mail.`),
      ask: () => kept(api.POST('/api/groups/invitations', { body: { list } })),
      isTold: true,
      last: (sent) => {
        setDone(sent);
        // What could not be read stays, to be mended.
        setList(sent.bad.map((bad) => bad.words).join('\n'));
      },
    });
  return (
    <div className="mt-4 space-y-2">
      <Words
        label="Or by their addresses"
        hint="One to a row, or a file from a spreadsheet. Each gets a mail with a link of their own."
        value={list}
        onChange={setList}
        rows={3}
      />
      <div className="flex flex-wrap gap-2">
        <Button disabled={edit.isPending || list.trim() === ''} onClick={send}>
          Ask them to join
        </Button>
        <input
          ref={chooser}
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          aria-label="A file with addresses"
          className="hidden"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then(setList);
            event.target.value = '';
          }}
        />
        <Button disabled={edit.isPending} onClick={() => chooser.current?.click()}>
          From a file …
        </Button>
      </div>
      <ProblemNote of={edit.problem} />
      {done && <Sent done={done} />}
      {desk.invited > 0 && (
        <p className="flex min-h-9 items-center justify-between border-y border-line text-sm">
          Asked by mail and not come yet: {people(desk.invited)}
          <Button
            look="bare"
            onClick={() =>
              void edit.run({
                say: 'Those links lead nowhere now.',
                ask: () => kept(api.DELETE('/api/groups/invitations')),
              })
            }
          >
            Withdraw those
          </Button>
        </p>
      )}
    </div>
  );
}

const mails = (many: number) => (many === 1 ? 'One mail lies' : `${many} mails lie`);

function Sent({ done }: { done: Schemas['InvitedSheet'] }) {
  const besides = [
    done.waiting > 0 && `${done.waiting} of them had been asked before`,
    done.doubles > 0 && `${done.doubles} stood there twice`,
    done.allBad > done.bad.length && `${done.allBad - done.bad.length} more are no addresses`,
  ].filter(Boolean);
  return (
    <div role="status" className="text-sm">
      {besides.length > 0 && <p className="text-steel">{besides.join('; ')}.</p>}
      {done.bad.length > 0 && (
        <>
          <p className="font-semibold">Not asked:</p>
          <ul className="max-h-40 overflow-y-auto">
            {done.bad.map((bad) => (
              <li key={`${bad.row} ${bad.words}`}>
                Row {bad.row}, <b>{bad.words}</b>: {bad.because}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
