import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Lozenge, VerdictMark } from '../../pieces/Lozenge';
import { Ruler } from '../../pieces/Ruler';
import { Swaps } from './Swaps';

/**
 * The margin of a sheet: each eater's verdict with the sentences it rests on.
 * @param recipe whose changes are offered where something does not fit
 * @param variant of the recipe, which is judged and would be changed
 */
export function Verdicts({ of, recipe, variant = null }: { of: Schemas['ShownVerdict'][]; recipe?: string; variant?: string | null }) {
  return (
    <div className="space-y-5">
      {of.map((verdict) => (
        <section key={verdict.eaterId}>
          <h3 className="flex items-center justify-between gap-2 border-b border-line pb-1 text-base">
            {verdict.eater}
            {verdict.findings.length > 0 && <VerdictMark verdict={verdict.verdict} className="font-sans text-sm" />}
          </h3>
          {verdict.findings.length === 0 && (
            <p className="mt-1 text-sm text-steel">
              No protocol is chosen.{' '}
              <Link to="/table" className="font-semibold text-cobalt hover:underline">
                Choose one at the Table
              </Link>
            </p>
          )}
          <ul className="mt-2 space-y-3 text-sm">
            {verdict.findings.map((finding) => (
              <li key={finding.rule}>
                {finding.value && !finding.needsAllowance && <Ruler finding={finding} />}
                <p className="mt-1 flex gap-1.5">
                  {(!finding.value || finding.needsAllowance) && (
                    <span className="mt-0.5">
                      <Lozenge verdict={finding.verdict} size={13} />
                    </span>
                  )}
                  <span>
                    {finding.because} {finding.cure && <b className="font-semibold">To make it fit: {finding.cure}. </b>}
                    {finding.needsAllowance && (
                      <Link to="/table" className="font-semibold text-cobalt hover:underline">
                        Set it at the Table
                      </Link>
                    )}
                  </span>
                </p>
                {recipe && !finding.needsAllowance && (finding.verdict === 'breaks' || finding.verdict === 'cannotTell') && (
                  <Swaps
                    id={recipe}
                    variant={variant}
                    eater={verdict.eaterId}
                    rule={finding.rule}
                    about={`${finding.title}, ${verdict.eater}`}
                  />
                )}
                {finding.notes.map((note) => (
                  <p key={note} className="mt-1 border-l-2 border-line pl-2 text-xs text-steel">
                    {note}
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
