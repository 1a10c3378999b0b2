import { X } from 'lucide-react';
import { KeyPicker } from '../../../pieces/KeyPicker';
import { NumberInput } from '../../../pieces/NumberInput';
import type { FreeFood } from './document';
import { FoodName } from './FoodName';

/** Foods that are not counted, each wholly or up to an amount over a portion, a meal or a day. */
export function FreeFoods({ free, onChange }: { free: FreeFood[]; onChange: (free: FreeFood[]) => void }) {
  const change = (at: number, food: FreeFood) => onChange(free.map((one, index) => (index === at ? food : one)));
  return (
    <span className="inline-flex flex-wrap items-center gap-2 text-rim">
      {free.map((one, at) => (
        <span key={one.food} className="inline-flex items-center gap-1 rounded-sm border border-line bg-tray px-1.5 py-0.5">
          <FoodName of={one.food} />
          <NumberInput
            label={`free up to, ${one.food}`}
            unit="g"
            className="w-12"
            value={one.upTo ?? null}
            onChange={(upTo) => change(at, { food: one.food, ...(upTo === null ? {} : { upTo, per: one.per ?? 'meal' }) })}
          />
          {one.upTo != null && (
            <select
              aria-label={`${one.food} is free over`}
              value={one.per ?? 'portion'}
              onChange={(event) => change(at, { ...one, per: event.target.value })}
              className="min-h-8 rounded-sm border border-slate bg-enamel"
            >
              {['portion', 'meal', 'day'].map((per) => (
                <option key={per} value={per}>
                  a {per}
                </option>
              ))}
            </select>
          )}
          <button
            type="button"
            aria-label={`${one.food} is counted again`}
            onClick={() => onChange(free.filter((_, index) => index !== at))}
            className="flex min-h-6 min-w-6 items-center justify-center text-steel hover:text-rim"
          >
            <X size={13} />
          </button>
        </span>
      ))}
      <KeyPicker
        label="Another free food"
        withFoods
        withPackets
        picked={[]}
        classes={[]}
        onChange={(picked) => picked[0] && !free.some((one) => one.food === picked[0]?.key) && onChange([...free, { food: picked[0].key }])}
      />
    </span>
  );
}
