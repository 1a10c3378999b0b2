import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, kept, Problem, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { typedNumber } from '../../pieces/show';
import { TakenUp } from '../../pieces/TakenUp';
import { useEdit } from '../../pieces/useEdit';
import { useSettled } from '../../pieces/useSettled';
import { useUnsaved } from '../../pieces/useUnsaved';
import { PacketFields } from './PacketFields';
import { PacketSays } from './PacketSays';
import { PacketValues } from './PacketValues';
import { type Draft, emptyPacket, useFood } from './queries';

/** A packet typed as it is printed, and live beside it what it hides, what it holds and who may eat it. */
export function PacketPage() {
  const { key = '' } = useParams();
  const food = useFood(key);
  const [round, setRound] = useState(0);
  const onAfresh = () => setRound(round + 1);
  if (key === '') return <PacketForm key={`new ${round}`} initial={emptyPacket} onAfresh={onAfresh} />;
  return (
    <Asked of={food}>
      {({ packet }) =>
        packet ? <PacketForm key={`${packet.version} ${round}`} initial={packet.printed} id={packet.id} onAfresh={onAfresh} /> : null
      }
    </Asked>
  );
}

function PacketForm({ initial, id, onAfresh }: { initial: Draft; id?: string; onAfresh: () => void }) {
  const unsaved = useUnsaved(`packet ${id ?? 'new'}`, initial);
  const { value: draft, setValue: setDraft } = unsaved;
  const [servings, setServings] = useState('1');
  const navigate = useNavigate();
  const edit = useEdit();
  const count = typedNumber(servings) || 0;
  const packet = useRead(JSON.stringify({ packet: draft, servings: count } satisfies Schemas['ReadPacketRequest']));
  const unread = packet.error instanceof Problem ? packet.error : null;
  const refused = edit.problem;
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const keep = () =>
    edit.run({
      say: id ? `${draft.name} is kept as a new version; what was planned keeps the old one.` : `${draft.name} is kept.`,
      ask: () =>
        kept(
          id
            ? api.PUT('/api/larder/packets/{id}', { params: { path: { id } }, body: draft })
            : api.POST('/api/larder/packets', { body: draft }),
        ),
      // A newer version would take this form away.
      first: (key) => {
        unsaved.forget();
        return navigate(`/larder/foods/${key}`);
      },
    });
  return (
    <div className="mx-auto grid max-w-6xl gap-6 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <form
        className="min-w-0"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Link to="/larder" className="text-sm text-cobalt hover:underline">
          Larder
        </Link>
        <h1 className="mb-3 text-xl">{id ? `${initial.name}, printed anew` : 'Read a packet'}</h1>
        <TakenUp of={unsaved} onAfresh={onAfresh} />
        <PacketFields draft={draft} set={set} problem={unread ?? refused} servings={servings} setServings={setServings} />
        <PacketValues
          typed={draft.values}
          onChange={(values) => set({ values })}
          read={unread ? [] : (packet.data?.values ?? [])}
          hasBatch={count !== 1}
          problem={unread}
        />
        <label className="mt-4 block font-semibold">
          Ingredients, as printed
          <textarea
            value={draft.statement}
            onChange={(event) => set({ statement: event.target.value })}
            rows={4}
            className={`${inputLook} mt-1 w-full font-normal`}
          />
        </label>
        <label className="mt-2 block font-semibold">
          May contain
          <input
            value={draft.mayContain}
            onChange={(event) => set({ mayContain: event.target.value })}
            placeholder="milk and sesame"
            className={`${inputLook} mt-1 w-full font-normal`}
          />
        </label>
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <Button type="submit" look="main" disabled={edit.isPending}>
            {id ? 'Keep as a new version' : 'Keep this packet'}
          </Button>
          <ProblemNote of={refused} />
        </div>
      </form>
      <aside aria-label="What it says" className="rimmed h-fit border-x border-b border-line p-4 text-sm lg:sticky lg:top-4">
        <h2 className="mb-2 text-lg">What it says</h2>
        {unread ? <ProblemNote of={unread} /> : packet.data && <PacketSays answer={packet.data} />}
      </aside>
    </div>
  );
}

/** Reads a moment after the last key. */
function useRead(body: string) {
  const asked = useSettled(body);
  return useQuery({
    queryKey: ['packet', asked],
    queryFn: () => take(api.POST('/api/larder/packet', { body: JSON.parse(asked) as Schemas['ReadPacketRequest'] })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}
