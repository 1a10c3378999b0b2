import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice, Field } from '../../pieces/Field';
import { useEdit } from '../../pieces/useEdit';
import { Box, Thing } from './StockThing';

type Page = Schemas['StockPage'];
type Item = Schemas['StockRow'];
type Place = Schemas['StockPlace'];

const places: [Place, string][] = [
  ['pantry', 'Pantry'],
  ['fridge', 'Fridge'],
  ['freezer', 'Freezer'],
];

/** What stands in pantry, fridge and freezer, the oldest first, with what must go this week on top. */
export function StockPage() {
  const stock = useQuery({ queryKey: ['larder', 'stock'], queryFn: () => take(api.GET('/api/larder/stock')) });
  return (
    <>
      <TakeIn />
      <Asked of={stock}>{(page) => <Shelves page={page} />}</Asked>
    </>
  );
}

function TakeIn() {
  const [line, setLine] = useState('');
  const [place, setPlace] = useState<Place>('pantry');
  const [bestBefore, setBestBefore] = useState('');
  const edit = useEdit();
  const { problem } = edit;
  return (
    <form
      className="mb-6 flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void edit.run({
          say: ({ taken: names, notTaken }) => {
            const left = notTaken.map((one) => ` “${one.text}” was not taken: ${one.because}.`).join('');
            return `${names.join(', ')} came in.${left}`;
          },
          ask: () =>
            kept(api.POST('/api/larder/stock', { body: { line, food: null, place, madeOn: null, bestBefore: bestBefore || null } })),
          last: () => {
            setLine((now) => (now === line ? '' : now));
            setBestBefore((now) => (now === bestBefore ? '' : now));
          },
        });
      }}
    >
      <Field
        label="What came in"
        value={line}
        onChange={setLine}
        problem={problem?.field === 'line' ? `${problem.title} ${problem.cure}` : undefined}
        hint="500 g red lentils, 2 tins chopped tomatoes, 6 eggs best before 12 Dec"
        autoComplete="off"
        className="w-full sm:w-80"
      />
      <Choice label="Where" value={place} onChange={(value) => setPlace(value as Place)} options={places} className="w-32" />
      <Field label="Date on it" type="date" value={bestBefore} onChange={setBestBefore} className="w-40" />
      <Button type="submit" look="main" className="mt-6" disabled={line.trim() === '' || edit.isPending}>
        Put in stock
      </Button>
    </form>
  );
}

function Shelves({ page }: { page: Page }) {
  if (page.items.length + page.boxes.length === 0) {
    return <p className="text-steel">Nothing stands in the larder yet. Type what came in, and where it stands.</p>;
  }
  const due = page.items.filter((item) => item.isDue);
  const dueBoxes = page.boxes.filter((box) => box.isDue && (box.mayGo || box.isPast || box.plannedFor === null));
  return (
    <>
      {due.length + dueBoxes.length > 0 && (
        <section className="mb-6">
          <h2 className="mb-1 text-lg">Must go this week</h2>
          <ul className="rimmed">
            {due.map((item) => (
              <Thing key={item.id} item={item} today={page.today} isWithPlace />
            ))}
            {dueBoxes.map((box) => (
              <Box key={box.id} box={box} today={page.today} />
            ))}
          </ul>
        </section>
      )}
      <div className="space-y-6">
        {places.map(([place, word]) => (
          <Shelf
            key={place}
            word={word}
            items={page.items.filter((item) => item.place === place && !item.isDue)}
            boxes={page.boxes.filter((box) => box.place === place && !dueBoxes.includes(box))}
            today={page.today}
          />
        ))}
      </div>
    </>
  );
}

function Shelf({ word, items, boxes, today }: { word: string; items: Item[]; boxes: Page['boxes']; today: string }) {
  if (items.length + boxes.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-lg">{word}</h2>
      <ul className="rimmed">
        {items.map((item) => (
          <Thing key={item.id} item={item} today={today} />
        ))}
        {boxes.map((box) => (
          <Box key={box.id} box={box} today={today} />
        ))}
      </ul>
    </section>
  );
}
