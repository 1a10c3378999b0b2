import { Trash2 } from 'lucide-react';
import type { Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { NumberInput } from '../../../pieces/NumberInput';

type Kitchen = Schemas['Kitchen'];
type Container = Schemas['ContainerKind'];

/** Containers by size and number, and what their material bears. */
export function Containers({
  kitchen,
  materials,
  onChange,
}: {
  kitchen: Kitchen;
  materials: string[];
  onChange: (containers: Container[]) => void;
}) {
  const change = (id: string, part: Partial<Container>) =>
    onChange(kitchen.containers.map((item) => (item.id === id ? { ...item, ...part } : item)));
  const may: [keyof Container & ('mayHeat' | 'mayFreeze' | 'mayFillHot'), string][] = [
    ['mayHeat', 'heated'],
    ['mayFreeze', 'frozen'],
    ['mayFillHot', 'filled hot'],
  ];
  return (
    <section>
      <h2 className="mb-1 text-base">Containers</h2>
      <ul className="text-sm">
        {kitchen.containers.map((item) => (
          <li key={item.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1">
            <NumberInput
              label="How many of this size"
              unit="×"
              value={item.count}
              onChange={(count) => change(item.id, { count: count ?? 0 })}
              className="w-12"
            />
            <input
              aria-label="Container called"
              value={item.name}
              onChange={(event) => change(item.id, { name: event.target.value })}
              className={`${inputLook} w-44`}
            />
            <NumberInput
              label="Volume"
              unit="ml"
              value={item.volumeMl}
              onChange={(volumeMl) => change(item.id, { volumeMl: volumeMl ?? 0 })}
            />
            <select
              aria-label="Material"
              value={item.material}
              onChange={(event) => change(item.id, { material: event.target.value })}
              className={inputLook}
            >
              {materials.map((material) => (
                <option key={material} value={material}>
                  {material}
                </option>
              ))}
            </select>
            <span className="text-steel">may be</span>
            {may.map(([key, word]) => (
              <label key={key} className="flex items-center gap-1">
                <input
                  type="checkbox"
                  checked={item[key]}
                  onChange={(event) => change(item.id, { [key]: event.target.checked })}
                  className="size-4 accent-cobalt"
                />
                {word}
              </label>
            ))}
            <Button
              look="bare"
              className="ml-auto"
              aria-label={`Take ${item.name} away`}
              onClick={() => onChange(kitchen.containers.filter((one) => one.id !== item.id))}
            >
              <Trash2 size={15} />
            </Button>
          </li>
        ))}
      </ul>
      {kitchen.containers.length === 0 && <p className="text-sm text-steel">Say which containers there are, by size and number.</p>}
      <Button
        className="mt-2"
        onClick={() =>
          onChange([
            ...kitchen.containers,
            {
              id: crypto.randomUUID(),
              name: 'Lunch box',
              volumeMl: 900,
              count: 6,
              material: 'glass',
              mayHeat: true,
              mayFreeze: true,
              mayFillHot: true,
            },
          ])
        }
      >
        Add containers
      </Button>
    </section>
  );
}
