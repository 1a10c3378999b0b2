import { Lozenge } from '../../pieces/Lozenge';
import { verdictWord } from '../../pieces/show';
import type { Effect } from './queries';

/** The verdicts that a change turns, days of this week before recipes. */
export function EffectList({ changes, nothing }: { changes: Effect[]; nothing: string }) {
  if (changes.length === 0) return <p className="text-sm text-steel">{nothing}</p>;
  return (
    <ul className="space-y-1.5 text-sm">
      {changes.map((change) => (
        <li key={`${change.eater} ${change.what}`} title={change.because}>
          <span className="flex flex-wrap items-center gap-x-1.5">
            <b>{change.what}</b>
            <span className="text-steel">{change.eater}</span>
          </span>
          <span className="flex flex-wrap items-center gap-1.5 text-xs">
            <Lozenge verdict={change.from} size={12} /> {verdictWord[change.from]}
            <span className="text-steel">becomes</span>
            <Lozenge verdict={change.to} size={12} /> <b>{verdictWord[change.to]}</b>
          </span>
        </li>
      ))}
    </ul>
  );
}
