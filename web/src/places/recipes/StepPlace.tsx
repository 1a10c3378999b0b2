import type { Schemas } from '../../api/client';

type Task = Schemas['DraftTask'];

export const appliances: [Task['appliance'], string][] = [
  ['none', 'no appliance'],
  ['oven', 'oven'],
  ['burner', 'burner'],
  ['pressureCooker', 'pressure cooker'],
  ['slowCooker', 'slow cooker'],
  ['airFryer', 'air fryer'],
  ['microwave', 'microwave'],
  ['blender', 'blender'],
  ['fridge', 'fridge'],
  ['sink', 'sink or ice bath'],
  ['cooling', 'cooling space'],
];

export const hasHeat = (appliance: Task['appliance']) => appliance === 'oven' || appliance === 'airFryer';

export function Minutes({
  label,
  value,
  onChange,
  most = 1440,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  most?: number;
}) {
  return (
    <label className="flex items-center gap-1">
      <input
        type="number"
        min={0}
        max={most}
        value={value}
        onChange={(event) => onChange(Math.max(0, Math.min(most, Math.round(Number(event.target.value) || 0))))}
        className="figures w-16 rounded-sm border border-line bg-enamel px-1 py-1 text-right text-rim"
      />
      {label === '°C' ? label : `min ${label}`}
    </label>
  );
}

/** Another appliance that does as well, with its own minutes: the session takes whichever is free. */
export function Elsewhere({
  number,
  task,
  onChange,
}: {
  number: number;
  task: Task;
  onChange: (instead: NonNullable<Task['instead']> | null) => void;
}) {
  const there = task.instead ?? null;
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      <label className="flex items-center gap-2">
        or as well in
        <select
          aria-label={`Elsewhere, step ${number}`}
          value={there?.appliance ?? ''}
          onChange={(event) => {
            const appliance = event.target.value as Task['appliance'] | '';
            onChange(
              appliance === ''
                ? null
                : {
                    appliance,
                    unattended: there?.unattended ?? task.unattended,
                    temperatureC: hasHeat(appliance) ? (there?.temperatureC ?? task.temperatureC) : null,
                  },
            );
          }}
          className="rounded-sm border border-line bg-enamel px-1 py-1 text-rim"
        >
          <option value="">nothing else</option>
          {appliances
            .filter(([key]) => key !== task.appliance)
            .map(([key, word]) => (
              <option key={key} value={key}>
                {word}
              </option>
            ))}
        </select>
      </label>
      {there && (
        <>
          <Minutes label="alone there" value={there.unattended} onChange={(unattended) => onChange({ ...there, unattended })} />
          {hasHeat(there.appliance) && (
            <Minutes
              label="°C"
              value={there.temperatureC ?? 0}
              most={350}
              onChange={(heat) => onChange({ ...there, temperatureC: heat || null })}
            />
          )}
        </>
      )}
    </span>
  );
}
