import { Trash2 } from 'lucide-react';
import type { Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { KeyPicker, type Named } from '../../../pieces/KeyPicker';
import { NumberInput } from '../../../pieces/NumberInput';
import type { Coefficient, Scheme } from './document';
import { FoodName } from './FoodName';
import { FreeFoods } from './FreeFoods';

const roundings: [string, string][] = [
  ['portion', 'once a portion'],
  ['ingredient', 'each ingredient'],
  ['nothing', 'not at all'],
];
const select = 'min-h-8 rounded-sm border border-slate bg-enamel px-1.5 text-rim';

/** A points scheme: what brings and gives back points, how they are rounded, what is free, what was typed from packets. */
export function SchemeEditor({
  scheme,
  measures,
  classes,
  onChange,
}: {
  scheme: Scheme;
  measures: Schemas['MeasureSheet'][];
  classes: Named[];
  onChange: (scheme: Scheme) => void;
}) {
  const change = (at: number, coefficient: Coefficient) =>
    onChange({ ...scheme, coefficients: scheme.coefficients.map((one, index) => (index === at ? coefficient : one)) });
  return (
    <div className="space-y-3 text-sm">
      <ul>
        {scheme.coefficients.map((one, at) => {
          const of = one.class ?? one.measure ?? '';
          const isCredit = one.pointsPerUnit < 0;
          return (
            // The place in the formula is what a part is known by.
            <li key={at} className="flex flex-wrap items-center gap-1.5 border-t border-line py-1.5">
              <select
                aria-label="brings or gives back"
                value={isCredit ? 'back' : 'brings'}
                onChange={(event) => {
                  const size = Math.abs(one.pointsPerUnit) || 0.01;
                  const { mostCredit: _, ...rest } = one;
                  change(at, event.target.value === 'back' ? { ...one, pointsPerUnit: -size } : { ...rest, pointsPerUnit: size });
                }}
                className={select}
              >
                <option value="brings">One point for each</option>
                <option value="back">One point back for each</option>
              </select>
              <NumberInput
                key={of}
                label={`units of ${of} for a point`}
                unit={one.class ? 'g' : (measures.find((measure) => measure.key === one.measure)?.unit ?? '')}
                value={one.pointsPerUnit === 0 ? null : Math.round((1 / Math.abs(one.pointsPerUnit)) * 100) / 100}
                onChange={(units) => units && change(at, { ...one, pointsPerUnit: (isCredit ? -1 : 1) / units })}
              />
              of
              <select
                aria-label="what is counted"
                value={one.class ? `class:${one.class}` : (one.measure ?? '')}
                onChange={(event) => {
                  const [kind, key] = event.target.value.split(':');
                  const { measure: _, class: __, ...rest } = one;
                  change(at, key ? { ...rest, class: key } : { ...rest, measure: kind ?? 'energy' });
                }}
                className={select}
              >
                <optgroup label="counted">
                  {measures
                    .filter((measure) => measure.key !== 'points')
                    .map((measure) => (
                      <option key={measure.key} value={measure.key}>
                        {measure.name.toLowerCase()}
                      </option>
                    ))}
                </optgroup>
                <optgroup label="grams of a class">
                  {classes.map((item) => (
                    <option key={item.key} value={`class:${item.key}`}>
                      {item.name}
                    </option>
                  ))}
                </optgroup>
              </select>
              {isCredit && (
                <>
                  , at most
                  <NumberInput
                    label="most points back a portion"
                    unit="points a portion"
                    value={one.mostCredit ?? null}
                    onChange={(mostCredit) => change(at, { ...one, mostCredit })}
                  />
                </>
              )}
              <Button
                look="bare"
                className="ml-auto"
                aria-label={`Take ${of} out of the formula`}
                disabled={scheme.coefficients.length === 1}
                onClick={() => onChange({ ...scheme, coefficients: scheme.coefficients.filter((_, index) => index !== at) })}
              >
                <Trash2 size={15} />
              </Button>
            </li>
          );
        })}
      </ul>
      <Button
        onClick={() => onChange({ ...scheme, coefficients: [...scheme.coefficients, { measure: 'saturatedFat', pointsPerUnit: 0.1 }] })}
      >
        Another part of the formula
      </Button>
      <p className="flex flex-wrap items-center gap-1.5">
        Rounded half up to steps of
        <NumberInput
          label="rounding step"
          unit="points"
          value={scheme.step}
          onChange={(step) => onChange({ ...scheme, step: step ?? 0 })}
        />
        <select
          aria-label="where points are rounded"
          value={scheme.rounding}
          onChange={(event) => onChange({ ...scheme, rounding: event.target.value })}
          className={select}
        >
          {roundings.map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </select>
      </p>
      <p className="flex flex-wrap items-center gap-1.5">
        Free: <FreeFoods free={scheme.free} onChange={(free) => onChange({ ...scheme, free })} />
      </p>
      <div>
        <p>Points as printed on a packet win over the formula:</p>
        <ul>
          {scheme.typed.map((one, at) => (
            <li key={one.food} className="flex flex-wrap items-center gap-1.5 py-0.5">
              <b>
                <FoodName of={one.food} />
              </b>
              <NumberInput
                label={`points of ${one.food}`}
                unit="points"
                value={one.points}
                onChange={(points) =>
                  onChange({
                    ...scheme,
                    typed: scheme.typed.map((item, index) => (index === at ? { ...item, points: points ?? 0 } : item)),
                  })
                }
              />
              in
              <NumberInput
                label={`serving of ${one.food}`}
                unit="g"
                value={one.grams}
                onChange={(grams) =>
                  onChange({ ...scheme, typed: scheme.typed.map((item, index) => (index === at ? { ...item, grams: grams ?? 0 } : item)) })
                }
              />
              <Button
                look="bare"
                className="text-xs"
                onClick={() => onChange({ ...scheme, typed: scheme.typed.filter((_, index) => index !== at) })}
              >
                take off
              </Button>
            </li>
          ))}
        </ul>
        <KeyPicker
          label="A food with printed points"
          withFoods
          withPackets
          picked={[]}
          classes={[]}
          onChange={(picked) =>
            picked[0] &&
            !scheme.typed.some((one) => one.food === picked[0]?.key) &&
            onChange({ ...scheme, typed: [...scheme.typed, { food: picked[0].key, points: 1, grams: 30 }] })
          }
        />
      </div>
    </div>
  );
}
