import type { Schemas } from '../../api/client';
import { amount, number, range } from '../../pieces/show';

/** What one portion holds, each number with the range it is known within. */
export function Numbers({ measures, points }: { measures: Schemas['ShownMeasure'][]; points: Schemas['PointsSideBySide'] }) {
  const net = measures.find((measure) => measure.key === 'netCarbohydrate');
  const shown = measures.filter(
    (measure) =>
      // A school that credits no polyol counts otherwise only where there are some.
      !(measure.key === 'netCarbohydrateUncredited' && measure.value.best === net?.value.best) &&
      (measure.value.best > 0 || measure.value.high === null || ['energy', 'protein', 'fat', 'netCarbohydrate'].includes(measure.key)),
  );
  const isOpen = shown.some((measure) => measure.value.high === null);
  const differs = points.perIngredient !== points.perPortion || points.unrounded !== points.perPortion;
  return (
    <div>
      <dl className="figures grid grid-cols-[auto_auto_1fr] text-sm">
        {shown.map((measure) => (
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
      {isOpen && <p className="mt-2 text-xs text-steel">A part unknown is never counted as zero: these numbers are “at least”.</p>}
      {differs && (
        <p className="mt-2 text-xs text-steel">
          House points rounded by ingredient: {number(points.perIngredient)}; not rounded: {number(points.unrounded)}.
        </p>
      )}
    </div>
  );
}
