import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { ProblemNote } from '../../pieces/ProblemNote';
import type { SolvePage, Solving } from './solving';

const words = {
  fill: { atWork: 'Filling the week', done: 'The week as it could be' },
  mend: { atWork: 'Mending the week', done: 'How the week would fit' },
  more: { atWork: 'Looking for a bite', done: 'With a bite more' },
  less: { atWork: 'Looking for a bite', done: 'With a bite less' },
};

/** What the line says of it; the rest stands behind "How good is it?". */
const told: Record<SolvePage['kind'], SolvePage['levels'][number]['goal'][]> = {
  fill: ['covered', 'targets', 'there', 'due', 'batches', 'minutes', 'leftovers'],
  mend: ['mended', 'changes', 'swaps', 'batches'],
  more: ['step', 'there', 'batches'],
  less: ['step'],
};

/** What is sought for the week and how far it has come; the board below shows the best so far. */
export function SolveBar({ solving }: { solving: Solving }) {
  const { page, isAtWork } = solving;
  if (!page) return null;
  return (
    <section
      aria-label="Proposal"
      className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-dashed border-cobalt bg-tray px-3 py-1 text-sm"
    >
      <h2 role="status" className="flex items-center gap-2 text-base whitespace-nowrap">
        {isAtWork ? words[page.kind].atWork : words[page.kind].done}
        {isAtWork && <span className="at-work" aria-hidden="true" />}
      </h2>
      <p className="min-w-48 flex-1 leading-snug">{solving.problem ?? (page.problem || saysOf(page))}</p>
      {page.levels.length > 1 && !isAtWork && <HowSure page={page} />}
      {page.unmet.length > 0 && !isAtWork && <Unmet page={page} loosen={solving.loosen} />}
      <span className="flex gap-2">
        <Acts solving={solving} page={page} />
      </span>
    </section>
  );
}

/** Why nothing is sought, where no panel is open to say it. */
export function SolveRefused({ solving }: { solving: Solving }) {
  if (!solving.refused) return null;
  return (
    <div className="flex shrink-0 items-center gap-3 border-b border-line px-3 py-1">
      <ProblemNote of={solving.refused} className="flex-1" />
      <Button onClick={solving.dismiss}>Close</Button>
    </div>
  );
}

function saysOf(page: SolvePage) {
  if (page.levels.length === 0) return page.state === 'waiting' ? 'Waits for its turn.' : 'Reads the recipes.';
  return `${page.levels
    .filter((level) => told[page.kind].includes(level.goal))
    .map((level) => level.says)
    .join(' · ')}.`;
}

function Acts({ solving, page }: { solving: Solving; page: SolvePage }) {
  if (solving.isAtWork) {
    return (
      <>
        <Button onClick={solving.stop}>{page.meals > 0 ? 'Stop and keep this' : 'Stop'}</Button>
        <Button onClick={solving.forget}>Leave it</Button>
      </>
    );
  }
  const taken = page.meals - solving.left;
  const isTakeable = page.meals > 0 && !solving.problem;
  const all =
    page.kind === 'fill' || page.kind === 'more'
      ? page.meals === 1
        ? 'Take the meal'
        : `Take all ${page.meals} meals`
      : page.meals === 1
        ? 'Make this change'
        : `Make all ${page.meals} changes`;
  return (
    <>
      {isTakeable && (
        <Button look="main" disabled={taken === 0} onClick={() => void solving.take()}>
          {solving.left === 0 ? all : `Take ${taken} of ${page.meals}`}
        </Button>
      )}
      <Button onClick={solving.forget}>{isTakeable ? 'Leave it' : 'Close'}</Button>
    </>
  );
}

const panelLook = 'rimmed z-30 mt-1 max-h-96 w-[min(34rem,90vw)] overflow-auto border-x border-b border-line p-3 text-sm shadow-lg';
const opensLook = 'flex items-center gap-1.5 font-semibold whitespace-nowrap text-cobalt hover:underline';

/** What is proven of it, and what is only the best that was found. */
function HowSure({ page }: { page: SolvePage }) {
  return (
    <Popover>
      <PopoverButton className={opensLook}>How good is it?</PopoverButton>
      <PopoverPanel anchor="bottom end" className={panelLook}>
        <p className="mb-2 text-steel">
          One after the other, as it was asked for: each is the best with what stands above it. Proven means that no other week does better.
        </p>
        <ol className="flex flex-col gap-1">
          {page.levels.map((level) => (
            <li key={level.goal} className="flex items-baseline justify-between gap-4 border-t border-line pt-1">
              <span>{level.says}</span>
              <span className={`figures text-right ${level.isProven ? 'font-semibold' : 'text-steel'}`}>{level.sure}</span>
            </li>
          ))}
        </ol>
      </PopoverPanel>
    </Popover>
  );
}

/** What it leaves unmet and why, with what one of the things that contradict each other would have to give. */
function Unmet({ page, loosen }: { page: SolvePage; loosen: Solving['loosen'] }) {
  return (
    <Popover>
      <PopoverButton className={opensLook}>
        <Lozenge verdict="breaks" size={13} /> {page.unmet.length} unmet{page.explained.length > 0 && ', and why'}
      </PopoverButton>
      <PopoverPanel anchor="bottom end" className={panelLook}>
        {({ close }) => (
          <>
            <ul className="flex flex-col gap-1">
              {page.unmet.map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
            {page.explained.map((one) => (
              <section key={one.title} aria-label={`Why: ${one.title}`} className="mt-3 border-t-2 border-rim pt-2">
                <h3 className="text-base">{one.title}</h3>
                {one.otherwise && <p>{one.otherwise}</p>}
                {one.reasons.length > 0 && (
                  <p className="text-steel">
                    {one.reasons.length === 1
                      ? 'This leaves no way; without it there is one (proven).'
                      : 'These leave no way together; without any one of them there is one (proven).'}
                  </p>
                )}
                <ul>
                  {one.reasons.map((reason) => (
                    <li key={reason.says} className="flex items-center justify-between gap-3 border-t border-line py-1 first:border-t-0">
                      <span>{reason.says}</span>
                      {reason.loosen && (
                        <Button
                          className="shrink-0"
                          onClick={() => {
                            close();
                            if (reason.loosen) void loosen(reason.loosen);
                          }}
                        >
                          {reason.loosen.says} this week
                        </Button>
                      )}
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </>
        )}
      </PopoverPanel>
    </Popover>
  );
}
