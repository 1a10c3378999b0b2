import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, type Schemas, take } from '../../../api/client';
import { Asked } from '../../../pieces/Asked';
import { Button } from '../../../pieces/Button';
import { Choice } from '../../../pieces/Field';
import { NumberInput } from '../../../pieces/NumberInput';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { useEdit } from '../../../pieces/useEdit';
import { Containers } from './Containers';
import { Items } from './Items';
import { ReadyChoices } from './ReadyChoices';

type Kitchen = Schemas['Kitchen'];

/** The kitchen that is really there: what cooks, what holds, what keeps, and how the household counts. */
export function KitchenPage() {
  const kitchen = useQuery({ queryKey: ['table', 'kitchen'], queryFn: () => take(api.GET('/api/table/kitchen')) });
  return <Asked of={kitchen}>{(sheet) => <KitchenForm key={JSON.stringify(sheet.kitchen)} sheet={sheet} />}</Asked>;
}

function KitchenForm({ sheet }: { sheet: Schemas['KitchenSheet'] }) {
  const [kitchen, setKitchen] = useState<Kitchen>(sheet.kitchen);
  const isChanged = JSON.stringify(kitchen) !== JSON.stringify(sheet.kitchen);
  const edit = useEdit();
  const save = () => edit.run({ ask: () => kept(api.PUT('/api/table/kitchen', { body: kitchen })), say: 'The kitchen is kept.' });
  const { problem } = edit;
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
        <Choice
          label="Packets’ values"
          value={kitchen.countsTolerances ? 'law' : 'rounding'}
          onChange={(value) => set({ countsTolerances: value === 'law' })}
          options={[
            ['rounding', 'as wide as their rounding'],
            ['law', 'as wide as the law tolerates'],
          ]}
        />
        <div>
          <span className="mb-1 block text-sm font-semibold">Freezer space</span>
          <NumberInput
            label="Freezer space"
            unit="litres"
            className="h-9 w-16"
            value={kitchen.freezerLitres}
            onChange={(freezerLitres) => set({ freezerLitres })}
          />
        </div>
      </section>
      <Items kitchen={kitchen} kinds={sheet.kinds} onChange={(items) => set({ items })} />
      <Containers kitchen={kitchen} materials={sheet.materials} onChange={(containers) => set({ containers })} />
      <ReadyChoices ready={kitchen.ready ?? []} onChange={(ready) => set({ ready })} />
      <ProblemNote of={problem} isInFile />
      <Button look="main" disabled={!isChanged || edit.isPending} onClick={() => void save()}>
        Keep the kitchen
      </Button>
    </div>
  );
}
