import { Asked } from '../../pieces/Asked';
import { Lozenge } from '../../pieces/Lozenge';
import { amount, minutes, numbersLine, verdictWord } from '../../pieces/show';
import { Changes } from '../recipes/Changes';
import { type Submission, useSubmission } from './brought';
import { CareMarks } from './CareMarks';

/** A submitted recipe as this desk reads it, with everything that was found before anybody looked. */
export function SubmissionReview({ of }: { of: Submission }) {
  const page = useSubmission(of.id, of.number);
  const { review } = of;
  return (
    <div className="grid gap-x-8 gap-y-3 text-sm md:grid-cols-[minmax(0,1fr)_20rem]">
      <Asked of={page}>
        {({ sheet, changes }) => (
          <div className="space-y-3">
            {of.words && <p className="border-l-2 border-line pl-2 whitespace-pre-line">{of.words}</p>}
            {of.problem && <p className="text-beet">It can’t be read here: {of.problem}</p>}
            {of.number > 1 && (
              <div>
                <h3 className="font-semibold">Since it was sent before</h3>
                {of.reply && <p className="text-steel">You asked: {of.reply}</p>}
                <Changes of={changes} none="Nothing is different." />
              </div>
            )}
            {sheet && (
              <>
                <p className="figures text-steel">
                  For {sheet.portions}. Keeps as {sheet.keeping.name}. {sheet.source && `From: ${sheet.source}`}
                </p>
                <table className="figures w-full">
                  <caption className="sr-only">Ingredients as this desk reads them</caption>
                  <tbody>
                    {sheet.lines.map((line) => (
                      <tr key={line.id} className="border-t border-line align-top">
                        <th scope="row" className="py-0.5 pr-2 text-left font-normal">
                          {line.text}
                        </th>
                        <td className="py-0.5 pr-2 text-steel">{line.foodName ?? '–'}</td>
                        <td className="py-0.5 text-right whitespace-nowrap">{line.grams ? amount(line.grams, 'g', 0) : ''}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                <ol className="list-decimal pl-5">
                  {sheet.tasks.map((task) => (
                    <li key={task.id}>
                      {task.text} <span className="text-steel">{minutes(task.handsOn + task.unattended)}</span>
                    </li>
                  ))}
                </ol>
              </>
            )}
          </div>
        )}
      </Asked>
      {review && (
        <div className="space-y-3">
          <CareMarks of={review.care} caution={review.caution} />
          <ul>
            {review.reasons.map((reason) => (
              <li key={`${reason.verdict} ${reason.because}`} className="flex gap-2 border-t border-line py-1 last:border-b">
                <span className="pt-0.5">
                  <Lozenge verdict={reason.verdict} size={14} />
                </span>
                <span>
                  <b>
                    {verdictWord[reason.verdict]} for {reason.members ?? 'a few'}:
                  </b>{' '}
                  {reason.because}
                </span>
              </li>
            ))}
          </ul>
          {review.claims.length > 0 && (
            <Found title="Stated, and not so">
              {review.claims.map((claim) => (
                <li key={claim.says}>
                  <b>{claim.says}.</b> {claim.because}
                </li>
              ))}
            </Found>
          )}
          {review.unknown.length > 0 && (
            <Found title="Not wholly known">
              {review.unknown.map((line) => (
                <li key={line.line}>
                  <b>{line.line}:</b> {line.doubt}
                </li>
              ))}
            </Found>
          )}
          <p>
            <b>Allergens that are known:</b> {review.allergens.join(', ') || 'none'}.
          </p>
          <p className="figures text-steel">A portion: {numbersLine(review.numbers)}</p>
        </div>
      )}
    </div>
  );
}

function Found({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      <ul className="space-y-1 wrap-anywhere">{children}</ul>
    </div>
  );
}
