import { inputLook } from '../../pieces/Field';
import { chooseScale, hasSerial, type ScaleKind, simulated, useScale } from '../../pieces/scale';

/** Which scale is listened to; of the simulated one, what lies on it. */
export function ScaleChoice() {
  const { kind } = useScale();
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm print:hidden">
      <label className="flex items-center gap-2">
        <span>Scale</span>
        <select
          aria-label="Scale"
          value={kind}
          onChange={(event) => void chooseScale(event.target.value as ScaleKind)}
          className="min-h-11 rounded-sm border border-line bg-enamel px-1 sm:min-h-9"
        >
          <option value="none">read off by eye</option>
          <option value="simulated">the simulated one</option>
          {hasSerial() && <option value="serial">on a cable</option>}
        </select>
      </label>
      {kind === 'simulated' && (
        <label className="flex items-center gap-2">
          lies on it
          <input
            inputMode="numeric"
            defaultValue={simulated.holds()}
            onChange={(event) => {
              const grams = Number(event.target.value);
              if (Number.isFinite(grams)) simulated.put(grams);
            }}
            className={`${inputLook} figures w-24 text-right`}
          />
          g
        </label>
      )}
    </div>
  );
}
