import { useState } from 'react';
import { Link, useNavigate, useOutletContext } from 'react-router';
import { api, kept } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { SheetDialog } from '../../../pieces/Sheet';
import { useEdit } from '../../../pieces/useEdit';
import type { Page } from '../queries';

/** Every protocol, the household's own first. */
export function ProtocolsPage() {
  const page = useOutletContext<Page>();
  const [isImporting, setImporting] = useState(false);
  const sorted = [...page.protocols].sort((one, other) => Number(other.isOwn) - Number(one.isOwn));
  return (
    <div>
      <div className="mb-3 flex items-center justify-between gap-3">
        <p className="text-sm text-steel">What ships with the program is the same for everybody; copy one to change it.</p>
        <Button onClick={() => setImporting(true)}>Import a protocol</Button>
      </div>
      <ul className="grid gap-x-8 md:grid-cols-2">
        {sorted.map((protocol) => (
          <li key={protocol.id} className="border-t border-line py-2">
            <Link to={`/table/protocols/${protocol.id}`} className="font-semibold hover:underline">
              {protocol.name}
            </Link>
            {protocol.isOwn && <span className="ml-2 text-xs text-steel">yours, version {protocol.version}</span>}
            <p className="text-sm text-steel">{protocol.summary}</p>
            {protocol.followers.length > 0 && <p className="text-sm">Followed by {protocol.followers.join(' and ')}</p>}
          </li>
        ))}
      </ul>
      {isImporting && <ImportDialog onClose={() => setImporting(false)} />}
    </div>
  );
}

function ImportDialog({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const navigate = useNavigate();
  const edit = useEdit();
  const { problem } = edit;
  const bring = () =>
    edit.run({
      ask: () => kept(api.POST('/api/table/protocols/import', { body: { document: text } })),
      say: 'The protocol is imported.',
      last: (saved) => navigate(`/table/protocols/${saved.id}`),
      onUndone: () => navigate('/table/protocols'),
      isTold: true,
    });
  return (
    <SheetDialog title="Import a protocol" onClose={onClose} wide>
      <div className="space-y-3 text-sm">
        <label className="flex items-center gap-2">
          From a file
          <input
            type="file"
            accept=".json,application/json"
            onChange={async (event) => {
              const file = event.target.files?.[0];
              if (file) setText(await file.text());
            }}
          />
        </label>
        <label className="block">
          or pasted here
          <textarea
            value={text}
            onChange={(event) => setText(event.target.value)}
            rows={10}
            spellCheck={false}
            className="mt-1 w-full rounded-sm border border-slate bg-enamel p-2 font-mono text-xs text-rim"
          />
        </label>
        <ProblemNote of={problem} isInFile />
        <p className="text-steel">
          The form of such a file is published as a{' '}
          <a href="/api/table/protocol-schema" className="font-semibold text-cobalt hover:underline">
            JSON Schema
          </a>
          .
        </p>
        <Button look="main" disabled={!text.trim() || edit.isPending} onClick={() => bring()}>
          Import it
        </Button>
      </div>
    </SheetDialog>
  );
}
