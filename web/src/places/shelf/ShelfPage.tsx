import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { ChevronRight, Printer } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { NothingCooked } from '../../pieces/NothingCooked';
import { mealOrder } from '../../pieces/show';
import { useWaiting } from '../../pieces/useOutbox';
import { shelfQuery } from '../kept';
import { useWeekDate } from '../useWeekDate';
import { Wasted } from '../Wasted';
import { BoxCard, tell } from './BoxCard';
import { type Compartment, inCompartments, isEaten, type ShownBox, withWhatWaits } from './boxes';
import { FreezerMap } from './FreezerMap';
import { LabelSheet } from './LabelSheet';
import { chooseSize, chosenSize, labelSizes, sizeOf } from './labels';

/** The containers of the week and what is left of earlier ones: where each is, whose, until when, and what becomes of it. */
export function ShelfPage() {
  const date = useWeekDate();
  const shelf = useQuery(shelfQuery(date));
  const waiting = useWaiting();
  const [size, setSize] = useState(chosenSize);
  return (
    <Asked of={shelf}>
      {({ boxes, today, wasted, pricesSay, freezerRoom }) =>
        boxes.length === 0 ? (
          <NothingCooked date={date}>No containers yet.</NothingCooked>
        ) : (
          <div className="mx-auto max-w-6xl p-4 md:p-6">
            <div className="mb-3 flex flex-wrap items-center gap-x-3 print:hidden">
              <h1 className="text-xl">Shelf</h1>
              <p className="text-steel">{boxes.length} containers</p>
              <span className="flex-1" />
              <label className="flex items-center gap-2 text-sm max-sm:hidden">
                Labels
                <select
                  value={size.key}
                  onChange={(event) => {
                    const chosen = sizeOf(event.target.value);
                    chooseSize(chosen);
                    setSize(chosen);
                  }}
                  className="min-h-9 rounded-sm border border-line bg-enamel px-1"
                >
                  {labelSizes.map(({ key, name }) => (
                    <option key={key} value={key}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
              <Button onClick={() => window.print()}>
                <Printer size={15} /> Print labels
              </Button>
            </div>
            {boxes.some((box) => !box.isThere && box.madeOn <= today) && (
              <p className="mb-4 text-sm print:hidden">
                Dashed boxes are planned.{' '}
                <Link to={`/session/${date}?do=portion`} className="font-semibold text-cobalt hover:underline">
                  Fill them
                </Link>{' '}
                once their dish is cooked; saying what became of one fills its batch too.
              </p>
            )}
            <div className="print:hidden">
              {inCompartments(withWhatWaits(boxes, waiting), mealOrder(), today).map(({ key, ...one }) =>
                key === 'passed' ? (
                  <Passed key={key} {...one} today={today} />
                ) : (
                  <Standing key={key} {...one} today={today}>
                    {key === 'freezer' && <FreezerMap boxes={boxes} room={freezerRoom} />}
                  </Standing>
                ),
              )}
            </div>
            <Wasted title="Thrown away this week" wasted={wasted} says={pricesSay} />
            <LabelSheet boxes={withWhatWaits(boxes, waiting)} size={size} />
          </div>
        )
      }
    </Asked>
  );
}

type Props = Omit<Compartment, 'key'> & { today: string };

const Cards = ({ boxes, today }: { boxes: ShownBox[]; today: string }) => (
  <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
    {boxes.map((box) => (
      <BoxCard key={box.id} box={box} today={today} />
    ))}
  </ul>
);

function Standing({ title, note, boxes, today, children }: Props & { children?: ReactNode }) {
  return (
    <section aria-label={title} className="mb-6">
      <h2 className="text-lg">
        {title} <span className="figures font-sans text-sm font-normal text-steel">{boxes.length}</span>
      </h2>
      <p className="mb-2 text-sm text-steel">{note}</p>
      {children}
      <Cards boxes={boxes} today={today} />
    </section>
  );
}

/** What nobody spoke of yet: one line, so that it does not stand before what is eaten today. */
function Passed({ title, note, boxes, today }: Props) {
  return (
    <Disclosure as="section" aria-label={title} className="mb-6">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="text-lg">
          <DisclosureButton className="group flex min-h-11 items-center gap-2 hover:text-cobalt">
            <ChevronRight size={16} className="transition-transform group-data-open:rotate-90" />
            {title} <span className="figures font-sans text-sm font-normal text-steel">{boxes.length}</span>
          </DisclosureButton>
        </h2>
        <Button
          className="min-h-11 sm:min-h-9"
          onClick={() => {
            for (const box of boxes) if (!box.waits) tell(box, isEaten(box));
          }}
        >
          All of them were eaten
        </Button>
        <p className="text-sm text-steel">{note}</p>
      </div>
      <DisclosurePanel className="mt-2">
        <Cards boxes={boxes} today={today} />
      </DisclosurePanel>
    </Disclosure>
  );
}
