import { Trash2 } from 'lucide-react';
import type { Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { NumberInput } from '../../../pieces/NumberInput';

type Kitchen = Schemas['Kitchen'];
type Item = Schemas['KitchenItem'];

const words = (key: string) => key.replace('-', ' ');
const head = 'px-1.5 pb-1 text-left text-xs font-semibold text-steel';
const cell = 'border-t border-line px-1.5 py-1';
// Which sizes say something about a kind.
const holds = ['pressure-cooker', 'slow-cooker', 'air-fryer', 'blender', 'pan', 'pot', 'mould', 'bowl'];
// What is counted of a kind that is no vessel.
const counted: Partial<Record<string, string>> = { oven: 'racks', sink: 'basins', fridge: 'dishes', 'cooling-space': 'dishes' };
const isFlat = ['tray', 'mould', 'pan', 'air-fryer'];

/** Appliances and vessels, each with the sizes that say something about its kind. */
export function Items({ kitchen, kinds, onChange }: { kitchen: Kitchen; kinds: string[]; onChange: (items: Item[]) => void }) {
  const change = (id: string, part: Partial<Item>) => onChange(kitchen.items.map((item) => (item.id === id ? { ...item, ...part } : item)));
  return (
    <section>
      <h2 className="mb-1 text-base">Appliances and vessels</h2>
      <div className="overflow-x-auto">
        <table className="w-full text-sm">
          {kitchen.items.length > 0 && (
            <thead>
              <tr>
                {['What', 'Called', 'How many', 'Holds', 'Filled up to', 'Inside', ''].map((word) => (
                  <th key={word} className={head}>
                    {word}
                  </th>
                ))}
              </tr>
            </thead>
          )}
          <tbody>
            {kitchen.items.map((item) => (
              <tr key={item.id}>
                <td className={cell}>
                  <select
                    aria-label="What"
                    value={item.kind}
                    onChange={(event) => change(item.id, { kind: event.target.value })}
                    className={inputLook}
                  >
                    {kinds.map((kind) => (
                      <option key={kind} value={kind}>
                        {words(kind)}
                      </option>
                    ))}
                  </select>
                </td>
                <td className={cell}>
                  <input
                    aria-label="Called"
                    value={item.name}
                    onChange={(event) => change(item.id, { name: event.target.value })}
                    className={`${inputLook} w-44`}
                  />
                </td>
                <td className={cell}>
                  <NumberInput
                    label="How many"
                    unit={counted[item.kind] ?? ''}
                    value={item.count}
                    onChange={(count) => change(item.id, { count: count ?? 0 })}
                    className="w-12"
                  />
                </td>
                <td className={cell}>
                  {holds.includes(item.kind) && (
                    <NumberInput
                      label="Holds"
                      unit="ml"
                      value={item.capacityMl}
                      onChange={(capacityMl) => change(item.id, { capacityMl })}
                    />
                  )}
                </td>
                <td className={cell}>
                  {holds.includes(item.kind) && (
                    <NumberInput
                      label="Filled up to"
                      unit="%"
                      className="w-12"
                      value={item.fillShare === null ? null : Math.round(item.fillShare * 100)}
                      onChange={(share) => change(item.id, { fillShare: share === null ? null : share / 100 })}
                    />
                  )}
                </td>
                <td className={`${cell} whitespace-nowrap`}>
                  {isFlat.includes(item.kind) && (
                    <>
                      <NumberInput label="Width" unit="by" value={item.widthMm} onChange={(widthMm) => change(item.id, { widthMm })} />{' '}
                      <NumberInput label="Length" unit="mm" value={item.lengthMm} onChange={(lengthMm) => change(item.id, { lengthMm })} />
                    </>
                  )}
                </td>
                <td className={cell}>
                  <Button
                    look="bare"
                    aria-label={`Take ${item.name} away`}
                    onClick={() => onChange(kitchen.items.filter((one) => one.id !== item.id))}
                  >
                    <Trash2 size={15} />
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {kitchen.items.length === 0 && <p className="text-sm text-steel">Say what there is: racks of the oven, burners, pots, trays.</p>}
      <Button
        className="mt-2"
        onClick={() =>
          onChange([
            ...kitchen.items,
            {
              id: crypto.randomUUID(),
              kind: 'oven',
              name: 'Oven',
              count: 1,
              capacityMl: null,
              fillShare: null,
              widthMm: null,
              lengthMm: null,
            },
          ])
        }
      >
        Add an appliance or a vessel
      </Button>
    </section>
  );
}
