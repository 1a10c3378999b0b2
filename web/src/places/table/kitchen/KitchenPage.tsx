import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, Problem, type Schemas, take } from '../../../api/client';
import { Asked } from '../../../pieces/Asked';
import { Button } from '../../../pieces/Button';
import { Choice, inputLook } from '../../../pieces/Field';
import { useNotices } from '../../../pieces/Notice';
import { NumberInput } from '../protocols/NumberInput';

type Kitchen = Schemas['Kitchen'];
type Item = Schemas['KitchenItem'];
type Container = Schemas['ContainerKind'];
type Day = Schemas['DayOfWeek'];

const days: [Day, string][] = [
  ['saturday', 'Saturday, the evening before'],
  ['sunday', 'Sunday'],
  ['monday', 'Monday'],
  ['tuesday', 'Tuesday'],
  ['wednesday', 'Wednesday'],
  ['thursday', 'Thursday'],
  ['friday', 'Friday'],
];
const words = (key: string) => key.replace('-', ' ');

/** The kitchen that is really there: what cooks, what holds, what keeps, and how the household counts. */
export function KitchenPage() {
  const kitchen = useQuery({ queryKey: ['table', 'kitchen'], queryFn: () => take(api.GET('/api/table/kitchen')) });
  return <Asked of={kitchen}>{(sheet) => <KitchenForm key={JSON.stringify(sheet.kitchen)} sheet={sheet} />}</Asked>;
}

function KitchenForm({ sheet }: { sheet: Schemas['KitchenSheet'] }) {
  const [kitchen, setKitchen] = useState<Kitchen>(sheet.kitchen);
  const isChanged = JSON.stringify(kitchen) !== JSON.stringify(sheet.kitchen);
  const queries = useQueryClient();
  const { done, refused } = useNotices();
  const save = useMutation({
    mutationFn: () => take(api.PUT('/api/table/kitchen', { body: kitchen })),
    onSuccess: async () => {
      await queries.invalidateQueries();
      done(
        'The kitchen is kept.',
        () => void take(api.POST('/api/undo', { body: { sequence: null } })).then(() => queries.invalidateQueries(), refused),
      );
    },
    onError: refused,
  });
  const problem = save.error instanceof Problem ? save.error : null;
  const set = (part: Partial<Kitchen>) => setKitchen({ ...kitchen, ...part });
  return (
    <div className="space-y-6">
      <section className="flex flex-wrap items-end gap-4">
        <Choice
          label="Amounts in"
          value={kitchen.units}
          onChange={(units) => set({ units })}
          options={[
            ['metric', 'grams and °C'],
            ['us', 'ounces and °F'],
          ]}
        />
        <Choice
          label="Numbers as"
          value={kitchen.numberFormat}
          onChange={(numberFormat) => set({ numberFormat })}
          options={[
            ['point', '1,234.5'],
            ['comma', '1.234,5'],
          ]}
        />
        <Choice label="Prep day" value={kitchen.prepDay} onChange={(day) => set({ prepDay: day as Day })} options={days} />
        <Choice
          label="Second session"
          value={kitchen.secondDay ?? ''}
          onChange={(day) => set({ secondDay: day === '' ? null : (day as Day) })}
          options={[['', 'none'], ...days]}
        />
        <div>
          <span className="block text-sm font-semibold">Freezer space</span>
          <NumberInput
            label="Freezer space"
            unit="litres"
            value={kitchen.freezerLitres}
            onChange={(freezerLitres) => set({ freezerLitres })}
          />
        </div>
      </section>
      <Items kitchen={kitchen} kinds={sheet.kinds} onChange={(items) => set({ items })} />
      <Containers kitchen={kitchen} materials={sheet.materials} onChange={(containers) => set({ containers })} />
      {problem && (
        <p role="alert" className="text-sm">
          <b className="text-beet">{problem.title}</b> <code className="text-xs">{problem.field}</code> {problem.cure}
        </p>
      )}
      <Button look="main" disabled={!isChanged || save.isPending} onClick={() => save.mutate()}>
        Keep the kitchen
      </Button>
    </div>
  );
}

const head = 'px-1.5 pb-1 text-left text-xs font-semibold text-steel';
const cell = 'border-t border-line px-1.5 py-1';
// Which sizes say something about a kind.
const holds = ['pressure-cooker', 'slow-cooker', 'air-fryer', 'blender', 'pan', 'pot', 'mould', 'bowl'];
const isFlat = ['tray', 'mould', 'pan', 'air-fryer'];

function Items({ kitchen, kinds, onChange }: { kitchen: Kitchen; kinds: string[]; onChange: (items: Item[]) => void }) {
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
                    unit={item.kind === 'oven' ? 'racks' : ''}
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

function Containers({
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
