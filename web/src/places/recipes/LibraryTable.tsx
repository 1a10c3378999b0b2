import { ArrowDown, ArrowUp, Snowflake } from 'lucide-react';
import { Fragment, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Lozenge } from '../../pieces/Lozenge';
import { amount, mealName, minutes, portions, verdictWord } from '../../pieces/show';
import { type Filters, type Row, type Sort, shownNumbers } from './library';
import { pictureOf } from './picture';
import { useRecipe } from './queries';
import { Verdicts } from './Verdicts';

type Props = { rows: Row[]; eaters: Schemas['LibraryEater'][]; filters: Filters; onChange: (change: Filters) => void };

/** Every recipe against every eater, one lozenge a cell; its sentences on demand. */
export function LibraryTable({ rows, eaters, filters, onChange }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const sort = filters.sort ?? 'name';
  const head = (by: Sort, word: string, look: string) => (
    <th scope="col" aria-sort={sort !== by ? undefined : filters.down ? 'descending' : 'ascending'} className={`py-1 font-normal ${look}`}>
      <button
        type="button"
        onClick={() => onChange({ sort: by === 'name' ? '' : by, down: sort === by && !filters.down ? 'yes' : '' })}
        className="inline-flex min-h-8 items-center gap-1 text-steel hover:text-rim"
      >
        {word}
        {sort === by && (filters.down ? <ArrowDown size={12} /> : <ArrowUp size={12} />)}
      </button>
    </th>
  );
  // A number that has a column already needs no second one.
  const asked = rows[0]?.asked && !shownNumbers.includes(rows[0].asked.key) ? rows[0].asked : null;
  const isNarrow = 'max-md:hidden';
  // On a phone a full table leaves no room for a number beside its verdicts.
  const isCrowded = eaters.length > 3;
  return (
    <table className="rimmed w-full border-x border-b border-line text-sm">
      <thead>
        <tr className="border-b border-line text-left text-xs">
          {head('name', 'Recipe', 'pl-3')}
          {eaters.map((eater) => (
            <th
              key={eater.id}
              scope="col"
              title={eater.name}
              className="max-w-9 truncate py-1 text-center font-normal text-steel md:max-w-20 md:px-1"
            >
              {eater.name}
            </th>
          ))}
          {head('energy', 'kcal', `text-right ${isCrowded ? isNarrow : 'max-md:pr-3'}`)}
          {head('protein', 'protein', `text-right ${isNarrow}`)}
          {head('netCarbohydrate', 'net carbs', `text-right ${isNarrow}`)}
          {asked && head('number', asked.name.toLowerCase(), `text-right ${isNarrow}`)}
          {head('handsOn', 'by hand', `text-right ${isNarrow}`)}
          {head('minutes', 'in all', `text-right ${isNarrow}`)}
          {head('keeps', 'keeps', `pr-3 text-right ${isNarrow}`)}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => {
          const shown = row.verdicts.find((verdict) => open === `${row.id} ${verdict.eaterId}`);
          return (
            <Fragment key={row.id}>
              <tr className="border-b border-line last:border-b-0 hover:bg-tray">
                <th scope="row" className="py-1.5 pl-3 text-left font-normal">
                  {row.picture && (
                    <img
                      src={pictureOf(row.picture)}
                      alt=""
                      loading="lazy"
                      className="float-right mr-2 size-9 border border-line object-cover"
                    />
                  )}
                  <Link
                    to={`/recipes/${row.id}`}
                    className="font-display text-base leading-tight font-semibold wrap-anywhere hover:text-cobalt"
                  >
                    {row.name}
                  </Link>
                  <span className="block text-xs text-steel">
                    {portions(row.portions)} portions{row.meal && `, ${mealName(row.meal)}`}
                  </span>
                </th>
                {row.verdicts.map((verdict) => (
                  <td key={verdict.eaterId} className="text-center md:px-1">
                    {verdict.hasRules && (
                      <Cell
                        verdict={verdict}
                        eater={eaters.find((eater) => eater.id === verdict.eaterId)?.name ?? ''}
                        dish={row.name}
                        isOpen={verdict === shown}
                        onOpen={() => setOpen(verdict === shown ? null : `${row.id} ${verdict.eaterId}`)}
                      />
                    )}
                  </td>
                ))}
                <Figure of={row} measure="energy" isNarrow={isCrowded} />
                <Figure of={row} measure="protein" isNarrow />
                <Figure of={row} measure="netCarbohydrate" isNarrow />
                {asked && <td className={`figures pl-2 text-right whitespace-nowrap ${isNarrow}`}>{row.asked && said(row.asked)}</td>}
                <td className={`figures text-right whitespace-nowrap ${isNarrow}`}>{minutes(row.handsOn)}</td>
                <td className={`figures text-right whitespace-nowrap ${isNarrow}`}>{minutes(row.minutes)}</td>
                <td className={`figures pr-3 text-right whitespace-nowrap ${isNarrow}`}>
                  {row.fridgeDays} d{row.freezes && <Snowflake size={12} aria-label=", freezes" className="ml-1 inline text-steel" />}
                </td>
              </tr>
              {shown && (
                <tr className="border-b border-line bg-tray">
                  <td colSpan={(asked ? 8 : 7) + eaters.length} className="px-3 py-3">
                    <Sentences id={row.id} verdict={shown} />
                  </td>
                </tr>
              )}
            </Fragment>
          );
        })}
      </tbody>
    </table>
  );
}

function Cell({
  verdict,
  eater,
  dish,
  isOpen,
  onOpen,
}: {
  verdict: Schemas['LibraryVerdict'];
  eater: string;
  dish: string;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const said = `${eater}: ${verdictWord[verdict.verdict]}${verdict.variant ? `, as “${verdict.variant}”` : ''}${verdict.isDisliked ? ', not liked' : ''}`;
  return (
    <button
      type="button"
      aria-label={`${dish}, ${said}`}
      aria-expanded={isOpen}
      title={said}
      onClick={onOpen}
      className="inline-flex min-h-9 min-w-9 items-center justify-center hover:bg-enamel"
    >
      <span className={verdict.isDisliked ? 'border-b-2 border-rim' : ''}>
        <Lozenge verdict={verdict.verdict} />
      </span>
      {verdict.variant && (
        <span aria-hidden="true" className="-ml-0.5 self-start pt-1 text-xs text-steel">
          *
        </span>
      )}
    </button>
  );
}

const said = (of: Schemas['ShownMeasure']) => amount(of.value, ['kcal', 'points'].includes(of.unit) ? '' : of.unit, of.decimals);

function Figure({ of, measure, isNarrow = false }: { of: Row; measure: string; isNarrow?: boolean }) {
  const shown = of.perPortion.find((one) => one.key === measure);
  return (
    <td className={`figures pl-2 text-right whitespace-nowrap ${isNarrow ? 'max-md:hidden' : 'max-md:pr-3'}`}>{shown && said(shown)}</td>
  );
}

/** What the rules say of a dish for one eater, as their usual variant is made. */
function Sentences({ id, verdict }: { id: string; verdict: Schemas['LibraryVerdict'] }) {
  const sheet = useRecipe(id, verdict.variant);
  return (
    <Asked of={sheet}>
      {({ verdicts, variant }) => (
        <div className="max-w-xl">
          {variant && <p className="mb-2 text-steel">As “{variant}”, which is made for them.</p>}
          <Verdicts of={verdicts.filter((one) => one.eaterId === verdict.eaterId)} recipe={id} variant={variant} />
        </div>
      )}
    </Asked>
  );
}
