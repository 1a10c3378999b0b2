import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext, useParams } from 'react-router';
import { api, kept, type Schemas, take } from '../../../api/client';
import { Asked } from '../../../pieces/Asked';
import { Button } from '../../../pieces/Button';
import { ButtonLink } from '../../../pieces/ButtonLink';
import { Field } from '../../../pieces/Field';
import { SheetDialog } from '../../../pieces/Sheet';
import { useEdit } from '../../../pieces/useEdit';
import type { Page } from '../queries';

export function useProtocol(id: string) {
  return useQuery({
    queryKey: ['table', 'protocol', id],
    queryFn: () => take(api.GET('/api/table/protocols/{id}', { params: { path: { id } } })),
  });
}

/** One protocol to read: its rules as sentences, where they come from, and what can be done with it. */
export function ProtocolPage() {
  const { id = '' } = useParams();
  return <Asked of={useProtocol(id)}>{(sheet) => <Sheet sheet={sheet} />}</Asked>;
}

function Sheet({ sheet: { protocol, sections, versions } }: { sheet: Schemas['ProtocolSheet'] }) {
  const [isCopying, setCopying] = useState(false);
  const navigate = useNavigate();
  const edit = useEdit();
  const putAway = () =>
    edit.run({
      ask: () => kept(api.DELETE('/api/table/protocols/{id}', { params: { path: { id: protocol.id } } })),
      first: () => navigate('/table/protocols'),
      say: `${protocol.name} is put away.`,
    });
  return (
    <article className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_17rem]">
      <div className="min-w-0">
        <Link to="/table/protocols" className="text-sm text-cobalt hover:underline">
          All protocols
        </Link>
        <h2 className="text-lg">{protocol.name}</h2>
        <p className="mb-4 max-w-2xl text-steel">{protocol.summary}</p>
        {sections
          .filter((section) => section.rules.length > 0 || section.choice)
          .map((section) => (
            <section key={`${section.choice} ${section.option}`} className="mb-3">
              {section.choice && (
                <h3 className="text-base">
                  {section.choice} <span className="font-normal text-steel">{section.option}</span>
                </h3>
              )}
              <ul>
                {section.rules.map((rule) => (
                  <li key={rule.sentence} className="flex justify-between gap-4 border-t border-line py-1.5 text-sm">
                    {rule.sentence}
                    <span className="hidden whitespace-nowrap text-steel sm:inline">{rule.kind.toLowerCase()}</span>
                  </li>
                ))}
                {section.rules.length === 0 && <li className="border-t border-line py-1.5 text-sm text-steel">No rule of its own.</li>}
              </ul>
            </section>
          ))}
      </div>
      <aside className="space-y-4 text-sm lg:border-l lg:border-line lg:pl-5">
        <div className="flex flex-wrap gap-2">
          {protocol.isOwn && <ButtonLink to="edit">Change it</ButtonLink>}
          <Button look={protocol.isOwn ? 'quiet' : 'main'} onClick={() => setCopying(true)}>
            Copy and change
          </Button>
          <a
            href={`/api/table/protocols/${protocol.id}/export`}
            download
            className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim"
          >
            Export
          </a>
          {protocol.isOwn && (
            <Button look="bare" onClick={() => void putAway()}>
              Put away
            </Button>
          )}
        </div>
        <p>
          {protocol.followers.length > 0 ? `Followed by ${protocol.followers.join(' and ')}.` : 'Nobody at this table follows it.'}
          {protocol.isOwn && ` Version ${protocol.version}${versions.length > 1 ? ` of ${versions.length}` : ''}.`}
          {protocol.origin && ` Copied from ${protocol.origin}.`}
        </p>
        <p className="text-steel">{protocol.source}.</p>
        {protocol.cautions.length > 0 && (
          <div>
            <h3 className="text-base">When to ask somebody first</h3>
            <ul className="list-disc pl-5">
              {protocol.cautions.map((caution) => (
                <li key={caution}>{caution}</li>
              ))}
            </ul>
          </div>
        )}
      </aside>
      {isCopying && <CopyDialog protocol={protocol} onClose={() => setCopying(false)} />}
    </article>
  );
}

function CopyDialog({ protocol, onClose }: { protocol: Schemas['TableProtocol']; onClose: () => void }) {
  const page = useOutletContext<Page>();
  const followers = page.eaters.filter((eater) => eater.protocols.includes(protocol.id));
  const [name, setName] = useState(`${protocol.name}, ${page.household}`);
  const [moved, setMoved] = useState(followers.map((eater) => eater.id));
  const navigate = useNavigate();
  const edit = useEdit();
  const copy = () =>
    edit.run({
      ask: () =>
        kept(api.POST('/api/table/protocols/{id}/copy', { params: { path: { id: protocol.id } }, body: { name, followers: moved } })),
      say: `${name.trim()} is yours to change.`,
      last: (saved) => navigate(`/table/protocols/${saved.id}/edit`),
      onUndone: () => navigate('/table/protocols'),
    });
  return (
    <SheetDialog title={`A copy of ${protocol.name}`} onClose={onClose}>
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          void copy();
        }}
      >
        <Field label="Name of the copy" value={name} onChange={setName} />
        {followers.length > 0 && (
          <fieldset className="text-sm">
            <legend className="font-semibold">Who follows the copy from now on, with all they stated</legend>
            {followers.map((eater) => (
              <label key={eater.id} className="flex min-h-8 items-center gap-2">
                <input
                  type="checkbox"
                  checked={moved.includes(eater.id)}
                  onChange={(event) => setMoved(event.target.checked ? [...moved, eater.id] : moved.filter((one) => one !== eater.id))}
                  className="size-4 accent-cobalt"
                />
                {eater.name}
              </label>
            ))}
          </fieldset>
        )}
        <Button type="submit" look="main" disabled={!name.trim() || edit.isPending}>
          Copy it
        </Button>
      </form>
    </SheetDialog>
  );
}
