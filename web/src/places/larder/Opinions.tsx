import { useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { SheetDialog } from '../../pieces/Sheet';
import { dayMonth } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { useTable } from '../table/queries';

type Packet = Schemas['PacketSheet'];
type Asked = { eater: string; name: string; isAllergic: boolean; isApproved: boolean };

/** What each eater decided about a packet, with reason and date; it is met again in recipes, in Shop and in an exchange. */
export function Opinions({ packet, name }: { packet: Packet; name: string }) {
  const table = useTable();
  const [asked, setAsked] = useState<Asked | null>(null);
  const edit = useEdit();
  const path = (eater: string) => ({ params: { path: { id: packet.id, eater } } });
  return (
    <section className="mt-8 text-sm">
      <h2 className="mb-1 text-lg">Decided</h2>
      {asked && <Decide asked={asked} packet={packet} name={name} onClose={() => setAsked(null)} />}
      <ul>
        {(table.data?.eaters ?? []).map((eater) => {
          const opinion = packet.opinions.find((one) => one.eaterId === eater.id);
          const ask = (isApproved: boolean) =>
            setAsked({ eater: eater.id, name: eater.name, isAllergic: eater.allergies.length > 0, isApproved });
          return (
            <li key={eater.id} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
              <span className="w-24 font-semibold">{eater.name}</span>
              {opinion ? (
                <>
                  <span className="min-w-0 flex-1">
                    <b className={opinion.isApproved ? '' : 'text-beet'}>{opinion.isApproved ? 'approved' : 'rejected'}</b> on{' '}
                    {dayMonth(opinion.on)}: {opinion.reason}
                    {!opinion.holds && <span className="text-steel"> (the ingredients changed since, so it does not hold)</span>}
                  </span>
                  <Button
                    look="bare"
                    onClick={() =>
                      edit.run({
                        say: 'The decision is taken back.',
                        ask: () => kept(api.DELETE('/api/larder/packets/{id}/opinions/{eater}', path(eater.id))),
                      })
                    }
                  >
                    Take back
                  </Button>
                </>
              ) : (
                <span className="flex gap-1">
                  <Button look="bare" aria-label={`Approve for ${eater.name}`} onClick={() => ask(true)}>
                    Approve
                  </Button>
                  <Button look="bare" aria-label={`Reject for ${eater.name}`} onClick={() => ask(false)}>
                    Reject
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Decide({ asked, packet, name, onClose }: { asked: Asked; packet: Packet; name: string; onClose: () => void }) {
  const [reason, setReason] = useState('');
  const [isAdult, setAdult] = useState(false);
  const edit = useEdit();
  const { problem } = edit;
  const word = asked.isApproved ? 'approved' : 'rejected';
  return (
    <SheetDialog title={`${name}, ${word} for ${asked.name}`} onClose={onClose}>
      <form
        className="space-y-3 text-sm"
        onSubmit={(event) => {
          event.preventDefault();
          edit.run({
            say: `${name} is ${word} for ${asked.name}.`,
            ask: () =>
              kept(
                api.PUT('/api/larder/packets/{id}/opinions/{eater}', {
                  params: { path: { id: packet.id, eater: asked.eater } },
                  body: { isApproved: asked.isApproved, reason, isAdult },
                }),
              ),
            last: onClose,
          });
        }}
      >
        <p>
          {asked.isApproved
            ? 'Words from which nobody can tell count as clear for these ingredients; what is named and left out stays out.'
            : 'It breaks wherever it comes up for them, with the reason and today’s date.'}
        </p>
        <Field label="Reason" value={reason} onChange={setReason} problem={problem?.title} autoComplete="off" />
        {asked.isApproved && asked.isAllergic && (
          <label className="flex items-start gap-2">
            <input
              type="checkbox"
              checked={isAdult}
              onChange={(event) => setAdult(event.target.checked)}
              className="mt-0.5 accent-cobalt"
            />
            I am an adult and accept this packet for {asked.name}, who is allergic.
          </label>
        )}
        <Button type="submit" look="main" disabled={edit.isPending}>
          {asked.isApproved ? 'Approve' : 'Reject'}
        </Button>
      </form>
    </SheetDialog>
  );
}
