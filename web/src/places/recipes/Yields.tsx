import { Button } from '../../pieces/Button';
import { dayMonth, minutes, number, portions, weekday } from '../../pieces/show';
import { blankPart, type Draft, type Sheet, toDraft, useSaveRecipe } from './queries';
import { useHistory } from './useHistory';

const cookedOn = (one: { cookedOn: string; letter: string }) => `${weekday(one.cookedOn)} ${dayMonth(one.cookedOn)}, batch ${one.letter}`;

/** What cooking it taught, offered to the recipe as its next version: grams that came out, minutes of a step, what to do otherwise. */
export function Yields({ sheet, id }: { sheet: Sheet; id: string }) {
  const { yields = [], took = [], remarks = [] } = useHistory(id).data ?? {};
  const { save, isPending } = useSaveRecipe(id);
  if (yields.length + took.length + remarks.length === 0 || sheet.variant !== null) return null;
  const take = (change: (draft: Draft) => Partial<Draft>, say: string) => {
    const draft = toDraft(sheet);
    void save({ ...draft, ...change(draft) }, { say });
  };
  const weigh = (part: string, grams: number) =>
    take(
      ({ parts = [] }) => {
        const own = parts?.find((one) => one.name === part) ?? blankPart(part);
        return { parts: [...(parts ?? []).filter((one) => one.name !== part), { ...own, madeAmount: grams, madeUnit: 'grams' }] };
      },
      `${sheet.name} makes ${number(grams, 0)} g now.`,
    );
  const row = 'flex flex-wrap items-center gap-x-3 border-t border-line py-1';
  return (
    <section className="mt-6">
      <h2 className="text-lg">What came of it</h2>
      <ul className="figures text-sm">
        {yields.map((one) => (
          <li key={one.part} className={row}>
            <span className="min-w-0 flex-1">
              {cookedOn(one)}
              {one.part && `, ${one.part}`}: <b>{number(one.grams, 0)} g</b> for {portions(sheet.portions)} portions
              {one.says === null ? '; the recipe says nothing.' : `; the recipe says ${number(one.says, 0)} g.`}
            </span>
            <Button disabled={isPending} onClick={() => weigh(one.part, one.grams)}>
              Let the recipe say so
            </Button>
          </li>
        ))}
        {took.map((one) => (
          <li key={one.task} className={row}>
            <span className="min-w-0 flex-1">
              {cookedOn(one)}, “{one.text}”: <b>{minutes(one.minutes)}</b>; the recipe says {minutes(one.says)}.
            </span>
            <Button
              disabled={isPending}
              onClick={() =>
                take(
                  ({ tasks }) => ({
                    tasks: tasks.map((task) =>
                      task.id === one.task ? { ...task, handsOn: one.handsOn, unattended: one.unattended } : task,
                    ),
                  }),
                  `The step takes ${minutes(one.minutes)} now.`,
                )
              }
            >
              Let the recipe say so
            </Button>
          </li>
        ))}
        {remarks.map((one) => (
          <li key={`${one.cookedOn}${one.letter}${one.note}`} className={row}>
            <span className="min-w-0 flex-1 wrap-anywhere">
              {cookedOn(one)}: {one.note}
            </span>
            {!sheet.note.includes(one.note) && (
              <Button
                disabled={isPending}
                onClick={() =>
                  take(({ note }) => ({ note: [note, one.note].filter(Boolean).join('\n') }), 'It stands in the recipe’s note now.')
                }
              >
                Put it into the note
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
