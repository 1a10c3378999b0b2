import { useState } from 'react';
import { Button } from '../../pieces/Button';
import type { Board } from './queries';

type Measure = 'energy' | 'fat';

const steps: Record<Measure, string> = { energy: '100 kcal', fat: '8 g of fat' };

const look = 'min-h-9 rounded-sm border border-slate bg-enamel px-2';

/** About 100 kcal, or some fat, from one meal of the day to another: portions a quarter smaller here and larger there. */
export function ShiftStep({ meals, onShift }: { meals: Board['meals']; onShift: (measure: Measure, from: string, to: string) => void }) {
  const [measure, setMeasure] = useState<Measure>('energy');
  const [from, setFrom] = useState(meals.at(-1)?.key ?? '');
  // The meal after the first one is mostly the other large one.
  const [to, setTo] = useState(() => (meals.slice(1).find(({ key }) => key !== from) ?? meals[0])?.key ?? '');
  const choices = (except: string) =>
    meals
      .filter(({ key }) => key !== except)
      .map(({ key, name }) => (
        <option key={key} value={key}>
          {name}
        </option>
      ));
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-2 text-sm">
      <legend className="sr-only">From one meal of the day to another</legend>
      <select aria-label="What goes over" value={measure} onChange={(event) => setMeasure(event.target.value as Measure)} className={look}>
        {Object.entries(steps).map(([key, says]) => (
          <option key={key} value={key}>
            about {says}
          </option>
        ))}
      </select>
      from
      <select aria-label="From which meal" value={from} onChange={(event) => setFrom(event.target.value)} className={look}>
        {choices(to)}
      </select>
      to
      <select aria-label="To which meal" value={to} onChange={(event) => setTo(event.target.value)} className={look}>
        {choices(from)}
      </select>
      <Button onClick={() => onShift(measure, from, to)}>Shift</Button>
    </fieldset>
  );
}
