import { Button } from '../../pieces/Button';
import { dayMonth, number, portions, weekday } from '../../pieces/show';
import { blankPart, type Sheet, toDraft, useSaveRecipe } from './queries';
import { useHistory } from './useHistory';

/** What the pot really weighed, offered to the recipe as its next version. */
export function Yields({ sheet, id }: { sheet: Sheet; id: string }) {
  const weighed = useHistory(id).data?.yields ?? [];
  const { save, isPending } = useSaveRecipe(id);
  if (weighed.length === 0 || sheet.variant !== null) return null;
  const take = (part: string, grams: number) => {
    const draft = toDraft(sheet);
    const parts = draft.parts ?? [];
    const own = parts.find((one) => one.name === part) ?? blankPart(part);
    const made = { ...own, madeAmount: grams, madeUnit: 'grams' as const };
    void save(
      { ...draft, parts: [...parts.filter((one) => one.name !== part), made] },
      { say: `${sheet.name} makes ${number(grams, 0)} g now.` },
    );
  };
  return (
    <section className="mt-6">
      <h2 className="text-lg">What it made</h2>
      <ul className="figures text-sm">
        {weighed.map((one) => (
          <li key={one.part} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
            <span className="min-w-0 flex-1">
              {weekday(one.cookedOn)} {dayMonth(one.cookedOn)}, batch {one.letter}
              {one.part && `, ${one.part}`}: <b>{number(one.grams, 0)} g</b> for {portions(sheet.portions)} portions
              {one.says === null ? '; the recipe says nothing.' : `; the recipe says ${number(one.says, 0)} g.`}
            </span>
            <Button disabled={isPending} onClick={() => take(one.part, one.grams)}>
              Let the recipe say so
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
