import type { Schemas } from '../../api/client';
import { VerdictMark } from '../../pieces/Lozenge';
import { number } from '../../pieces/show';
import { MarkedStatement, StatementWords } from './Statement';

/** What a packet hides, holds, and who may eat it; asked again while it is typed. */
export function PacketSays({ answer }: { answer: Schemas['PacketAnswer'] }) {
  const hasStatement = answer.statement.text.trim() !== '';
  return (
    <div className="space-y-3">
      <p className="figures">
        Values for {number(answer.servingGrams, 1)} g{answer.measure && `; ${answer.measure}`}.{' '}
        {answer.netCarbs && answer.totalCarbs ? (
          <>
            Net carbs <b>{number(answer.netCarbs.best, 1)} g</b> in 100 g
            {answer.netCarbs.high !== null &&
              answer.netCarbs.low !== answer.netCarbs.high &&
              `, between ${number(answer.netCarbs.low, 1)} and ${number(answer.netCarbs.high, 1)}`}
            ; total carbs {number(answer.totalCarbs.best, 1)} g.
          </>
        ) : (
          <span className="text-steel">Type the carbohydrate, and net carbs follow by the label’s country.</span>
        )}
      </p>
      {answer.energyQuery && (
        <p>
          <b className="text-beet">Energy and macros do not go together.</b> {answer.energyQuery}
        </p>
      )}
      {hasStatement ? (
        <>
          <MarkedStatement said={answer.statement} />
          <StatementWords said={answer.statement} />
        </>
      ) : (
        <p className="text-steel">Type or paste the ingredients, and what they leave out follows. Unread, nobody can tell.</p>
      )}
      {answer.verdicts.map((verdict) => (
        <div key={verdict.eaterId} className="border-t border-line pt-2">
          <p className="flex justify-between gap-2 font-semibold">
            {verdict.eater} <VerdictMark verdict={verdict.verdict} className="text-sm" />
          </p>
          {heaviest(verdict.findings).map((finding) => (
            <p key={finding.rule}>{finding.because}</p>
          ))}
        </div>
      ))}
      {answer.verdicts.length === 0 && <p className="text-steel">Nobody at the table follows a protocol yet.</p>}
      <p className="text-xs text-steel">
        Verdicts are of one serving. Values are rounded by law; a printed one stands for a range, and a batch adds the ranges of one packet
        up.
      </p>
    </div>
  );
}

/** Up to three reasons against it; when all is well, the first that counts something. */
function heaviest(findings: Schemas['ShownFinding'][]) {
  const against = findings.filter((finding) => finding.verdict !== 'fits');
  return against.length > 0 ? against.slice(0, 3) : findings.filter((finding) => finding.value !== null).slice(0, 1);
}
