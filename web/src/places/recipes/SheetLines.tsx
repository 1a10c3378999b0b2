import { useState } from 'react';
import { Link } from 'react-router';
import { amount, number, portions } from '../../pieces/show';
import { ExchangeDialog } from './ExchangeDialog';
import { saidOfLine } from './LineFields';
import { Choices, NearestFoods, PacketsDiffer } from './LineQuestions';
import { partNames, type Sheet, shareOf, toDraft, useSaveRecipe } from './queries';

type SheetLine = Sheet['lines'][number];

/** The ingredients part by part, with what each brings to a portion. */
export function SheetLines({ sheet, id }: { sheet: Sheet; id: string }) {
  const [exchanged, setExchanged] = useState<SheetLine | null>(null);
  const names = partNames(sheet).filter((name) => sheet.lines.some((line) => line.part === name));
  return (
    <>
      {exchanged?.food && exchanged.grams && (
        <ExchangeDialog
          food={exchanged.food}
          name={exchanged.foodName ?? ''}
          grams={exchanged.grams.best}
          onClose={() => setExchanged(null)}
        />
      )}
      <table className="w-full text-sm">
        <thead className="text-left text-xs text-steel">
          <tr>
            <th className="font-normal">Line</th>
            <th className="pl-2 text-right font-normal">Batch</th>
            <th className="pl-2 text-right font-normal">kcal</th>
            <th className="pl-2 text-right font-normal whitespace-nowrap">net carbs</th>
          </tr>
        </thead>
        {names.map((name) => (
          <tbody key={name} className="figures align-top">
            {(names.length > 1 || partNotes(sheet, name).length > 0) && (
              <tr>
                <th colSpan={4} scope="rowgroup" className="pt-3 pb-1 text-left font-semibold">
                  {names.length > 1 && (name || 'Main part')}
                  {partNotes(sheet, name).length > 0 && (
                    <span className="block text-xs font-normal text-steel first-letter:uppercase">
                      {partNotes(sheet, name).join(', ')}.
                    </span>
                  )}
                </th>
              </tr>
            )}
            {sheet.lines.map(
              (line, at) =>
                line.part === name && <Line key={line.id} line={line} at={at} sheet={sheet} id={id} onExchange={setExchanged} />,
            )}
          </tbody>
        ))}
      </table>
    </>
  );
}

/** What is said of a part: "comes off before reheating, 190 g in all". */
function partNotes(sheet: Sheet, name: string): string[] {
  const part = sheet.parts.find((one) => one.name === name);
  if (!part) return [];
  const notes: string[] = [];
  if (part.apart !== 'no') notes.push(part.apart === 'sauce' ? 'in a small pot' : `kept apart, ${part.apart}`);
  if (part.takesOff) notes.push('comes off before reheating');
  if (part.goesOn) notes.push('goes on when eating');
  if (part.madeAmount !== null)
    notes.push(`${number(part.madeAmount)} ${{ grams: 'g', millilitres: 'ml', pieces: 'pieces' }[part.madeUnit]} in all`);
  if (part.keepingReason) notes.push(part.keepingReason);
  return notes;
}

function Line({
  line,
  at,
  sheet,
  id,
  onExchange,
}: {
  line: SheetLine;
  at: number;
  sheet: Sheet;
  id: string;
  onExchange: (line: SheetLine) => void;
}) {
  const of = (key: string) => line.perPortion.find((measure) => measure.key === key);
  const said = saidOfLine(line);
  return (
    <tr className="border-t border-line">
      <td className="py-1 wrap-anywhere">
        {line.times !== 1 && <b>{portions(line.times)} × </b>}
        {line.food && line.grams && !line.uses && sheet.variant === null ? (
          <button
            type="button"
            title="Exchange it for another food"
            onClick={() => onExchange(line)}
            className="text-left underline-offset-2 hover:text-cobalt hover:underline"
          >
            {line.text}
          </button>
        ) : (
          line.text
        )}
        {said.length > 0 && <span className="block text-xs text-steel first-letter:uppercase">{said.join(', ')}</span>}
        {line.uses && <UseNote line={line} uses={line.uses} sheet={sheet} id={id} />}
        {line.packetId && <PacketNote line={line} sheet={sheet} id={id} />}
        {line.choices.length === 0 && line.doubt && (
          <span className="block text-xs text-steel">{line.doubt.endsWith('?') ? line.doubt : `${line.doubt}.`}</span>
        )}
        {sheet.variant === null && <Questions line={line} at={at} sheet={sheet} id={id} />}
      </td>
      <td className="py-1 pl-2 text-right whitespace-nowrap">
        {line.grams ? `${number(line.grams.best, 0)} g` : <span className="text-steel">unknown</span>}
      </td>
      {['energy', 'netCarbohydrate'].map((key) => {
        const measure = of(key);
        return (
          <td key={key} className="py-1 pl-2 text-right whitespace-nowrap text-steel">
            {measure ? amount(measure.value, '', measure.decimals).replace('at least 0', '?') : ''}
          </td>
        );
      })}
    </tr>
  );
}

/** What a line leaves open, and the one press that settles it: it makes the recipe's next version. */
function Questions({ line, at, sheet, id }: { line: SheetLine; at: number; sheet: Sheet; id: string }) {
  const { save } = useSaveRecipe(id);
  const settle = (change: { text?: string; food?: string }) => {
    const draft = toDraft(sheet);
    const lines = draft.lines.map((one, index) => (index === at ? { ...one, ...change } : one));
    void save({ ...draft, lines }, { say: `${sheet.name} is changed.` });
  };
  return (
    <>
      <Choices read={line} onText={(text) => settle({ text })} onFood={(food) => settle({ food })} />
      <PacketsDiffer read={line} />
      <NearestFoods read={line} onFood={(food) => settle({ food })} />
    </>
  );
}

/** The recipe that a line takes some of, and its newer version when it was changed since. */
function UseNote({ line, uses, sheet, id }: { line: SheetLine; uses: NonNullable<SheetLine['uses']>; sheet: Sheet; id: string }) {
  const { save, isPending } = useSaveRecipe(id);
  return (
    <span className="block text-xs text-steel">
      {shareOf(uses.batches)} {uses.batches && 'of '}
      <Link to={`/recipes/${uses.id}`} className="text-cobalt hover:underline">
        {line.foodName}
      </Link>
      {uses.hasNewer && sheet.variant === null && (
        <>
          , which was changed since.{' '}
          <button
            type="button"
            disabled={isPending}
            onClick={() => save(toDraft(sheet), { say: `${sheet.name} has the newest ${line.foodName}.` })}
            className="font-semibold text-cobalt hover:underline"
          >
            Take the new one
          </button>
        </>
      )}
    </span>
  );
}

/** A packet's own page, and its newer version when it was printed anew since the recipe was saved. */
function PacketNote({ line, sheet, id }: { line: SheetLine; sheet: Sheet; id: string }) {
  const { save, isPending } = useSaveRecipe(id);
  return (
    <span className="block text-xs text-steel">
      <Link to={`/larder/foods/${line.food}`} className="text-cobalt hover:underline">
        the packet
      </Link>
      {line.hasNewerPacket && sheet.variant === null && (
        <>
          {' '}
          was printed anew since.{' '}
          <button
            type="button"
            disabled={isPending}
            onClick={() => save(toDraft(sheet), { say: `${sheet.name} has the newest packets.` })}
            className="font-semibold text-cobalt hover:underline"
          >
            Take the new one
          </button>
        </>
      )}
    </span>
  );
}
