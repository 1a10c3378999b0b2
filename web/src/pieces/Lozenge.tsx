import type { Verdict } from '../api/client';
import { verdictWord } from './show';

const outline = 'M8 1 15 8 8 15 1 8Z';

/** The mark of a verdict: each has its own shape, so that colour is never the only sign. */
export function Lozenge({ verdict, size = 16 }: { verdict: Verdict; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true" className="shrink-0">
      {verdict === 'fits' && <path d={outline} className="fill-cobalt" />}
      {verdict === 'tooClose' && (
        <>
          <path d={outline} className="fill-enamel stroke-rim" strokeWidth="1.2" />
          <path d="M8 1 15 8 8 15Z" className="fill-none stroke-rim" strokeWidth="1.2" />
          <path
            d="M8.6 4.500 11.500 4.500M8.600 7 14 7M8.600 9.500 13.500 9.500M8.600 12 11 12"
            className="stroke-saffron"
            strokeWidth="1.5"
          />
        </>
      )}
      {verdict === 'breaks' && <path d="M8 1 10.800 3.800 8 6.600 12.100 5.100 15 8 8 15 1 8Z" className="fill-beet" />}
      {verdict === 'cannotTell' && <path d={outline} className="fill-none stroke-slate" strokeWidth="1.500" strokeDasharray="1.6 1.7" />}
    </svg>
  );
}

const tone: Record<Verdict, string> = { fits: 'text-rim', tooClose: 'text-rim', breaks: 'text-beet', cannotTell: 'text-steel' };

/** Lozenge and word together. */
export function VerdictMark({ verdict, className = '' }: { verdict: Verdict; className?: string }) {
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold whitespace-nowrap ${tone[verdict]} ${className}`}>
      <Lozenge verdict={verdict} />
      {verdictWord[verdict]}
    </span>
  );
}
