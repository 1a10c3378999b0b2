import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { Link } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { Lozenge } from '../../pieces/Lozenge';
import { dayMonth, verdictWord } from '../../pieces/show';
import { type Submission, useQueue } from './brought';
import { SubmissionAnswer } from './SubmissionAnswer';
import { SubmissionReview } from './SubmissionReview';

const stateWord: Record<Submission['state'], string> = {
  waiting: 'waits for you',
  askedBack: 'asked back',
  takenUp: 'taken up',
  declined: 'declined',
};

/** What members brought: what needs the closest look first, what is answered last. */
export function SubmissionQueue() {
  const queue = useQueue();
  return (
    <Asked of={queue}>
      {({ submissions, phrases }) => {
        const open = submissions.filter((one) => one.state === 'waiting' || one.state === 'askedBack');
        const over = submissions.filter((one) => !open.includes(one));
        return (
          <section aria-label="Brought by members" className="max-w-4xl">
            {submissions.length === 0 && (
              <p className="max-w-prose text-steel">
                Nobody has brought a recipe yet. A member sends one from the Group at home; it is recomputed with this desk’s foods, points
                and members before you look at it.
              </p>
            )}
            <ul>
              {open.map((one) => (
                <li key={one.id} className="border-t border-line last:border-b">
                  <Disclosure>
                    <DisclosureButton className="flex min-h-11 w-full flex-wrap items-center gap-x-3 gap-y-1 py-1.5 text-left hover:text-cobalt">
                      <b className="min-w-0 flex-1 basis-48">
                        {one.name}
                        <span className="block text-xs font-normal text-steel">
                          {one.by || 'A member'}, {dayMonth(one.sentAt.slice(0, 10))}
                          {one.number > 1 && `, sent ${one.number === 2 ? 'twice' : `${one.number} times`}`}
                        </span>
                      </b>
                      <Worst of={one} />
                      <span className={`text-sm ${one.state === 'waiting' ? 'font-semibold' : 'text-steel'}`}>{stateWord[one.state]}</span>
                    </DisclosureButton>
                    <DisclosurePanel className="pb-4">
                      <SubmissionReview of={one} />
                      <SubmissionAnswer key={one.state} of={one} phrases={phrases} />
                    </DisclosurePanel>
                  </Disclosure>
                </li>
              ))}
            </ul>
            {over.length > 0 && <h2 className="mt-6 text-base">Answered</h2>}
            <ul className="text-sm">
              {over.map((one) => (
                <li key={one.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1 last:border-b">
                  <span className="min-w-0 flex-1">
                    {one.recipe ? (
                      <Link to={`/recipes/${one.recipe}`} className="font-semibold text-cobalt hover:underline">
                        {one.name}
                      </Link>
                    ) : (
                      one.name
                    )}
                    {one.by && <span className="text-steel">, {one.by}</span>}
                    {one.reply && one.state === 'declined' && <span className="block text-steel">{one.reply}</span>}
                  </span>
                  <span className="text-steel">
                    {stateWord[one.state]}, sent {dayMonth(one.sentAt.slice(0, 10))}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        );
      }}
    </Asked>
  );
}

/** What was found, in a few words, before it is opened. */
function Worst({ of: { problem, review } }: { of: Submission }) {
  if (!review) return problem ? <span className="text-sm text-beet">can’t be read here</span> : null;
  const found = [
    review.care.some((mark) => mark.kind === 'harm') && 'speaks of harm',
    review.care.some((mark) => mark.kind === 'healthClaim') && 'a health claim',
    review.claims.length > 0 &&
      (review.claims.length === 1 ? 'a number that is not so' : `${review.claims.length} numbers that are not so`),
    review.unknown.length > 0 && `${review.unknown.length} not known`,
  ].filter(Boolean);
  return (
    <span className="flex flex-wrap items-center gap-x-3 text-sm text-steel">
      {found.join(', ')}
      {review.counts.map((one) => (
        <span key={one.verdict} className="figures inline-flex items-center gap-1">
          <Lozenge verdict={one.verdict} size={13} />
          <span className="sr-only">{verdictWord[one.verdict]} for</span>
          {one.isRest ? 'the rest' : (one.members ?? 'a few')}
        </span>
      ))}
    </span>
  );
}
