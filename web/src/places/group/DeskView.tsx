import { AskedQuestions } from './AskedQuestions';
import { useAsked, useQueue } from './brought';
import { DeskMenus } from './DeskMenus';
import { OutboxView } from './OutboxView';
import { Parts, usePart } from './Parts';
import type { Desk } from './queries';
import { SubmissionQueue } from './SubmissionQueue';

/** A group's desk: its menus, what members bring, what they ask. */
export function DeskView({ desk, today }: { desk: Desk; today: string }) {
  const part = usePart();
  const waiting = useQueue().data?.waiting ?? 0;
  const open = useAsked().data?.questions.filter((one) => one.answer === '' && !one.isHidden).length ?? 0;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-6">
        <h1 className="text-xl max-sm:sr-only">{desk.name}</h1>
        <Parts
          label="Parts of the desk"
          of={[
            ['menus', 'Menus', 0],
            ['brought', 'Brought', waiting],
            ['asked', 'Asked', open],
            ['mail', 'Mail', 0],
          ]}
        />
      </div>
      {part === 'brought' ? (
        <SubmissionQueue />
      ) : part === 'asked' ? (
        <AskedQuestions desk={desk} />
      ) : part === 'mail' ? (
        <OutboxView />
      ) : (
        <DeskMenus desk={desk} today={today} />
      )}
    </>
  );
}
