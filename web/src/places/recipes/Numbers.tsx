import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { amount, number, range } from '../../pieces/show';

type Measure = Schemas['ShownMeasure'];
type Sheet = Pick<
  Schemas['RecipeSheet'],
  'perPortion' | 'points' | 'counted' | 'portionGrams' | 'perHundred' | 'batch' | 'pieces' | 'perPiece' | 'portions'
>;

/** What everybody asks for first, whatever they count. */
const always = ['energy', 'protein', 'fat', 'netCarbohydrate'];

const bases = [
  ['perPortion', 'Portion'],
  ['perHundred', '100 g'],
  ['perPiece', 'Piece'],
  ['batch', 'Batch'],
] as const;

/** What a portion, 100 g and the batch hold, each number with the range it is known within: what somebody counts first, the rest on demand. */
export function Numbers({ of }: { of: Sheet }) {
  const [basis, setBasis] = useState<(typeof bases)[number][0]>('perPortion');
  const [isWhole, setWhole] = useState(false);
  const shown = of[basis].filter((measure) => isWorthShowing(measure, of[basis]));
  const first = shown.filter((measure) => always.includes(measure.key) || isCounted(measure, of.counted));
  const rest = shown.filter((measure) => !first.includes(measure));
  const isOpen = shown.some((measure) => measure.value.high === null);
  const { points } = of;
  const differs =
    basis === 'perPortion' &&
    of.counted.includes('points') &&
    (points.perIngredient !== points.perPortion || points.unrounded !== points.perPortion);
  return (
    <div>
      <fieldset className="mb-1 flex gap-4 text-sm">
        <legend className="sr-only">Numbers of</legend>
        {bases
          .filter(([key]) => key !== 'perPiece' || of.pieces !== null)
          .map(([key, word]) => (
            <button
              key={key}
              type="button"
              aria-pressed={basis === key}
              disabled={of[key].length === 0}
              title={of[key].length === 0 ? 'Nobody knows what it weighs' : undefined}
              onClick={() => setBasis(key)}
              className="min-h-8 border-b-2 border-transparent font-semibold text-steel aria-pressed:border-cobalt aria-pressed:text-rim disabled:font-normal"
            >
              {word}
            </button>
          ))}
      </fieldset>
      {of.portionGrams && (
        <p className="figures mb-1 text-xs text-steel">
          A portion weighs {number(of.portionGrams.best, 0)} g
          {of.portionGrams.low !== of.portionGrams.high &&
            ` as served, ${number(of.portionGrams.low, 0)} to ${number(of.portionGrams.high ?? 0, 0)} until it is weighed`}
          .
        </p>
      )}
      {of.pieces !== null && basis === 'perPiece' && (
        <p className="figures mb-1 text-xs text-steel">
          {number(of.pieces)} pieces in all
          {of.portionGrams && `, about ${number((of.portionGrams.best * of.portions) / of.pieces, 0)} g each`}.
        </p>
      )}
      <List measures={first} />
      {rest.length > 0 && (
        <button
          type="button"
          aria-expanded={isWhole}
          onClick={() => setWhole(!isWhole)}
          className="min-h-8 text-sm font-semibold text-cobalt hover:underline print:hidden"
        >
          {isWhole ? 'Fewer numbers' : `${rest.length} more`}
        </button>
      )}
      {isWhole && <List measures={rest} />}
      {isOpen && <p className="mt-2 text-xs text-steel">A part unknown is never counted as zero: these numbers are “at least”.</p>}
      {differs && (
        <p className="mt-2 text-xs text-steel">
          Points rounded by ingredient: {number(points.perIngredient)}; not rounded: {number(points.unrounded)}.
        </p>
      )}
    </div>
  );
}

/** Points stand once for each scheme, with the names of those who follow it. */
const isCounted = (measure: Measure, counted: string[]) =>
  counted.includes(measure.key) || (counted.includes('points') && measure.key.startsWith('points'));

function isWorthShowing(measure: Measure, all: Measure[]): boolean {
  const net = all.find((other) => other.key === 'netCarbohydrate');
  // A school that credits no polyol counts otherwise only where there are some.
  if (measure.key === 'netCarbohydrateUncredited' && measure.value.best === net?.value.best) return false;
  return measure.value.best > 0 || measure.value.high === null || always.includes(measure.key);
}

function List({ measures }: { measures: Measure[] }) {
  return (
    <dl className="figures grid grid-cols-[auto_auto_1fr] text-sm">
      {measures.map((measure) => (
        <div key={measure.key} className="contents">
          <dt className="border-b border-line py-0.5 text-steel">{measure.name}</dt>
          <dd className="border-b border-line py-0.5 pl-3 text-right font-semibold whitespace-nowrap">
            {amount(measure.value, measure.unit, measure.decimals)}
          </dd>
          <dd className="border-b border-line py-0.5 pl-2 text-xs leading-5 whitespace-nowrap text-steel">
            {measure.value.high === null ? '' : range(measure.value, measure.unit, measure.decimals)}
          </dd>
        </div>
      ))}
    </dl>
  );
}
