import type { Schemas } from '../../api/client';
import { Lozenge } from '../../pieces/Lozenge';
import { rulerReading } from '../../pieces/Ruler';
import { verdictWord } from '../../pieces/show';

type Finding = Schemas['ShownFinding'];

/** Up to so many are counted at a glance. */
const mostMarks = 7;

/** What counts over the whole week: meals with fish as small tallies, a reserve as what is drawn of it. */
export function WeekTallies({ eater, isNamed }: { eater: Schemas['BoardEater']; isNamed: boolean }) {
  const counted = eater.week.filter((finding) => finding.value && !finding.needsAllowance);
  if (counted.length === 0) return null;
  return (
    <ul aria-label={`${eater.name}’s week`} className="figures flex flex-wrap items-center gap-x-5 gap-y-0.5 pt-1 text-xs">
      {isNamed && <li className="text-steel">{eater.name}’s week</li>}
      {counted.map((finding) => (
        <li key={finding.rule} title={finding.because} className="flex items-center gap-1.5">
          <Lozenge verdict={finding.verdict} size={11} />
          <span className="text-steel first-letter:uppercase">{finding.title}</span>
          <Marks finding={finding} />
          <span className={finding.verdict === 'breaks' ? 'font-bold text-beet' : 'font-medium'}>
            {rulerReading(finding)}
            <span className="sr-only">, {verdictWord[finding.verdict]}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** A stroke for each meal that counts, and an empty one for each that is still asked or allowed. */
function Marks({ finding }: { finding: Finding }) {
  const [limit, value] = [finding.atLeast ?? finding.atMost ?? 0, Math.round(finding.value?.best ?? 0)];
  if (finding.decimals > 0 || finding.isQuotient || limit > mostMarks || value > mostMarks) return null;
  return (
    <span aria-hidden="true" className="flex gap-0.5">
      {Array.from({ length: Math.max(limit, value) }, (_, at) => at).map((at) => (
        <span
          key={at}
          className={`h-2.5 w-1.5 border ${at < value ? (finding.verdict === 'breaks' && at >= limit ? 'border-beet bg-beet' : 'border-rim bg-rim') : 'border-steel'}`}
        />
      ))}
    </span>
  );
}
