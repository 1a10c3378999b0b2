import type { Schemas } from '../api/client';
import { Lozenge } from './Lozenge';
import { rulerScale } from './rulerScale';
import { number, verdictWord } from './show';

type Finding = Schemas['ShownFinding'];

/** "21.4 of 25 g", "1,236 of 1,330–1,470 kcal", "71 of at least 90 g"; "75 %, at most 55 %". */
export function rulerReading(finding: Finding): string {
  if (!finding.value) return '';
  const shown = (value: number) => number(value, finding.decimals);
  // The title says "Points" already.
  const unit = finding.unit && finding.unit !== 'points' ? ` ${finding.unit}` : '';
  const value = `${finding.value.high === null ? '≥ ' : ''}${shown(finding.value.best)}`;
  // A share or a ratio is no amount that something is left of.
  const { atLeast, atMost, isQuotient } = finding;
  if (atLeast === null && atMost === null) return value + unit;
  const bounds =
    atLeast !== null && atMost !== null
      ? `${shown(atLeast)}–${shown(atMost)}`
      : atMost !== null
        ? `${isQuotient ? 'at most ' : ''}${shown(atMost)}`
        : `at least ${shown(atLeast ?? 0)}`;
  return isQuotient ? `${value}${unit}, ${bounds}${unit}` : `${value} of ${bounds}${unit}`;
}

/**
 * An allowance as a measuring stick: filled to the best value, hatched from low to high, a notch down at a ceiling and up at a floor.
 */
export function Ruler({ finding, narrow = false }: { finding: Finding; narrow?: boolean }) {
  const { end, ticks } = rulerScale(finding);
  const at = (value: number) => `${Math.min(100, (value / end) * 100)}%`;
  const value = finding.value ?? { low: 0, best: 0, high: null };
  const breaks = finding.verdict === 'breaks';
  const reading = rulerReading(finding);
  // What nothing limits has no verdict and no stick.
  if (finding.atLeast === null && finding.atMost === null) {
    return (
      <p className="figures flex justify-between gap-x-1 text-xs leading-4">
        <span className="truncate text-steel">{finding.title}</span>
        <span className="font-medium whitespace-nowrap">{reading}</span>
      </p>
    );
  }

  return (
    <div className="figures min-w-0 text-xs" title={finding.because}>
      <div className={`flex justify-between gap-x-1 leading-4 ${narrow ? 'flex-col' : 'items-baseline'}`}>
        <span className="flex min-w-0 items-center gap-1 text-steel">
          <Lozenge verdict={finding.verdict} size={11} />
          <span className="truncate">{finding.title}</span>
        </span>
        <span className={`whitespace-nowrap ${breaks ? 'font-bold text-beet' : 'font-medium'}`}>{reading}</span>
      </div>
      <div
        role="img"
        aria-label={`${finding.title}: ${reading}, ${verdictWord[finding.verdict]}`}
        className={`relative mt-0.5 h-3 overflow-hidden border-x border-t border-steel bg-tray ${finding.verdict === 'cannotTell' ? 'border-b border-dotted' : ''}`}
      >
        <span
          className="absolute inset-y-0 left-0 bg-cobalt"
          style={{ width: at(breaks && finding.atMost !== null ? finding.atMost : value.best) }}
        />
        {breaks && finding.atMost !== null && (
          <span className="absolute inset-y-0 bg-beet" style={{ left: at(finding.atMost), width: at(value.best - finding.atMost) }} />
        )}
        {value.high !== null && value.high > value.low && (
          <span
            className="hatched absolute inset-y-0 border-x border-rim bg-enamel/60"
            style={{ left: at(value.low), width: at(value.high - value.low) }}
          />
        )}
        {ticks.map((tick) => (
          <span key={tick} className="absolute bottom-0 h-1 w-px bg-steel" style={{ left: at(tick) }} />
        ))}
        {finding.atMost !== null && <Notch at={at(finding.atMost)} down />}
        {finding.atLeast !== null && <Notch at={at(finding.atLeast)} />}
      </div>
    </div>
  );
}

function Notch({ at, down = false }: { at: string; down?: boolean }) {
  return (
    <svg width="8" height="12" viewBox="0 0 8 12" className="absolute top-0 -ml-1" style={{ left: at }} aria-hidden="true">
      <path d={down ? 'M0 0H8L4.700 6V12H3.300V6Z' : 'M0 12H8L4.700 6V0H3.300V6Z'} className="fill-rim stroke-enamel" strokeWidth="0.600" />
    </svg>
  );
}
