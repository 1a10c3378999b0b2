import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { NothingCooked } from '../../pieces/NothingCooked';
import { dayMonth, numbersLine, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useWeekDate } from '../useWeekDate';
import { Label } from './Label';

type Box = Schemas['ShelfBox'];

const places: [Box['keptIn'], string, string][] = [
  ['pastItsTime', 'Past their time', 'They keep less long than they are planned for, and do not freeze.'],
  ['fridge', 'Fridge', 'At 4 °C or below.'],
  ['freezer', 'Freezer', 'Frozen on the day they are cooked; thawed in the fridge the evening before.'],
];

const mealOrder = ['breakfast', 'lunch', 'merienda', 'supper'];

/** The containers of the week: where each is, whose, and until when. */
export function ShelfPage() {
  const date = useWeekDate();
  const shelf = useQuery({
    queryKey: ['shelf', date],
    queryFn: () => take(api.GET('/api/weeks/{date}/shelf', { params: { path: { date } } })),
  });
  return (
    <Asked of={shelf}>
      {({ boxes }) =>
        boxes.length === 0 ? (
          <NothingCooked date={date}>No containers yet.</NothingCooked>
        ) : (
          <div className="mx-auto max-w-6xl p-4 md:p-6">
            <div className="mb-3 flex items-center gap-3 print:hidden">
              <h1 className="text-xl">Shelf</h1>
              <p className="text-steel">{boxes.length} containers</p>
              <span className="flex-1" />
              <Button onClick={() => window.print()}>
                <Printer size={15} /> Print labels
              </Button>
            </div>
            <div className="print:hidden">
              {places.map(([kept, title, note]) => (
                <Compartment key={kept} title={title} note={note} boxes={boxes.filter((box) => box.keptIn === kept)} />
              ))}
            </div>
            <section aria-label="Label sheet" className="hidden grid-cols-2 gap-3 print:grid">
              {boxes.map((box) => (
                <Label key={box.id} box={box} />
              ))}
            </section>
          </div>
        )
      }
    </Asked>
  );
}

function Compartment({ title, note, boxes }: { title: string; note: string; boxes: Box[] }) {
  if (boxes.length === 0) return null;
  const sorted = [...boxes].sort(
    (one, other) =>
      (one.place?.date ?? '9').localeCompare(other.place?.date ?? '9') ||
      mealOrder.indexOf(one.place?.meal ?? '') - mealOrder.indexOf(other.place?.meal ?? '') ||
      (one.eater ?? '').localeCompare(other.eater ?? ''),
  );
  return (
    <section className="mb-6">
      <h2 className="text-lg">
        {title} <span className="figures font-sans text-sm font-normal text-steel">{boxes.length}</span>
      </h2>
      <p className="mb-2 text-sm text-steel">{note}</p>
      <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {sorted.map((box) => (
          <li key={box.id} className="rimmed border-x border-b border-line px-3 py-2 text-sm">
            <div className="flex items-start justify-between gap-2">
              <Tape letter={box.tape} name={box.dish} />
              <span className="figures shrink-0 text-xs text-steel">
                {box.number} of {box.of}
                {box.size !== 1 && ` · ${portions(box.size)} ${box.size > 1 ? 'portions' : 'portion'}`}
              </span>
            </div>
            <p className="mt-1">
              {box.place ? (
                <>
                  <b>{box.eater}</b>, {weekday(box.place.date)} {box.place.meal}
                </>
              ) : (
                <span className="text-steel">loose, nobody’s yet</span>
              )}
            </p>
            <p className={box.keptIn === 'pastItsTime' ? 'font-semibold text-beet' : ''}>
              {box.thaw && `To the fridge ${weekday(box.thaw)} evening, eat`} {box.thaw ? 'by' : 'Eat by'} {weekday(box.eatBy)}{' '}
              {dayMonth(box.eatBy)}
            </p>
            <p className="figures text-xs text-steel">{numbersLine(box.numbers)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
