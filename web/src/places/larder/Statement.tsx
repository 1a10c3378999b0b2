import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';

type Said = Schemas['ReadStatement'];

const look: Record<Schemas['MarkKind'], string> = {
  leftOut: 'border-b-2 border-beet font-semibold text-beet',
  untold: 'border-b-2 border-dotted border-slate text-inherit',
  known: 'border-b border-line text-inherit',
};

/** The statement as it is printed, with the words marked: left out (solid), nobody can tell (dotted), known. */
export function MarkedStatement({ said }: { said: Said }) {
  const pieces: ReactNode[] = [];
  let at = 0;
  for (const mark of said.marks) {
    pieces.push(said.text.slice(at, mark.start));
    pieces.push(
      <mark key={mark.start} title={mark.says} className={`bg-transparent ${look[mark.kind]}`}>
        {said.text.slice(mark.start, mark.start + mark.length)}
      </mark>,
    );
    at = mark.start + mark.length;
  }
  pieces.push(said.text.slice(at));
  return <p className="leading-relaxed break-words">{pieces}</p>;
}

/** What a statement says in words: what is in it, what may be, from what nobody can tell. */
export function StatementWords({ said }: { said: Said }) {
  return (
    <>
      {said.holds.length > 0 && (
        <p>
          Holds{' '}
          {said.holds.map((held, at) => (
            <span key={held.class}>
              {at > 0 && ', '}
              <b className={held.allergen ? '' : 'font-medium'}>{held.class}</b> <span className="text-steel">“{held.words}”</span>
            </span>
          ))}
          .
        </p>
      )}
      {said.mayContain.length > 0 && <p>May contain {said.mayContain.map((held) => held.class).join(', ')}.</p>}
      {said.cannotTell.length > 0 && <p>Nobody can tell from “{said.cannotTell.join('”, “')}”.</p>}
    </>
  );
}
