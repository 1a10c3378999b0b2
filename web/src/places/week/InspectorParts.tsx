import { Minus, Plus } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { VerdictMark } from '../../pieces/Lozenge';
import { Ruler } from '../../pieces/Ruler';
import { amount, number, portions, range } from '../../pieces/show';

/** What a portion or container holds. */
export function Measures({ of, title }: { of: Schemas['ShownMeasure'][]; title: string }) {
  return (
    <section className="mt-4">
      <h3 className="font-sans text-sm font-normal text-steel">{title}</h3>
      <dl className="figures mt-1 text-sm">
        {of.map((measure) => (
          <div key={measure.key} className="flex justify-between gap-2 border-t border-line py-0.5">
            <dt>{measure.name}</dt>
            <dd className="text-right">
              <b>{amount(measure.value, measure.unit, measure.decimals)}</b>{' '}
              <span className="text-xs text-steel">{range(measure.value, measure.unit, measure.decimals)}</span>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** A number with a smaller and a larger button. */
export function Stepper({
  label,
  value,
  least,
  most,
  step,
  onChange,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  onChange: (value: number) => void;
}) {
  const look = 'flex h-9 w-9 items-center justify-center border border-line hover:border-rim disabled:opacity-40';
  return (
    <fieldset className="mt-4 flex items-center justify-between">
      <legend className="sr-only">{label}</legend>
      <span className="text-sm">{label}</span>
      <span className="flex items-center gap-2">
        <button
          type="button"
          className={look}
          aria-label={`Less: ${label}`}
          disabled={value - step < least}
          onClick={() => onChange(value - step)}
        >
          <Minus size={15} />
        </button>
        <output className="figures w-10 text-center font-semibold">{portions(value)}</output>
        <button
          type="button"
          className={look}
          aria-label={`More: ${label}`}
          disabled={value + step > most}
          onClick={() => onChange(value + step)}
        >
          <Plus size={15} />
        </button>
      </span>
    </fieldset>
  );
}

/** What the rules say, each finding with its sentence and who brings how much. */
export function Findings({ title, findings }: { title: string; findings: Schemas['ShownFinding'][] }) {
  return (
    <section className="mt-4">
      <h3 className="border-b border-line pb-1 text-base">{title}</h3>
      {findings.length === 0 && <p className="mt-1 text-sm text-steel">No rule has anything to say.</p>}
      <ul className="mt-2 space-y-3 text-sm">
        {findings.map((finding) => (
          <li key={`${finding.rule}:${finding.because}`}>
            {finding.value && !finding.needsAllowance ? <Ruler finding={finding} /> : <VerdictMark verdict={finding.verdict} />}
            <p className="mt-1">
              {finding.because} {finding.cure && <b className="font-semibold">To make it fit: {finding.cure}.</b>}
            </p>
            {finding.notes.map((note) => (
              <p key={note} className="mt-1 border-l-2 border-line pl-2 text-xs text-steel">
                {note}
              </p>
            ))}
            {finding.needsAllowance && (
              <Link to="/table" className="font-semibold text-cobalt hover:underline">
                Set it at the Table
              </Link>
            )}
            {finding.contributors.length > 1 && finding.unit && (
              <ul className="figures mt-1 text-xs text-steel">
                {finding.contributors.map((one) => (
                  <li key={one.name} className="flex justify-between gap-2">
                    <span className="truncate">{one.name}</span>
                    <span className="whitespace-nowrap">
                      {number(one.amount, finding.decimals)} {finding.unit}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
