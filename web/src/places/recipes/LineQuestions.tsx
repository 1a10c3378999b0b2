import { Link } from 'react-router';
import type { Schemas } from '../../api/client';

type Read = Schemas['SheetLine'];

const small = 'border border-line bg-enamel px-1.5 py-0.5 max-sm:py-2 text-left font-semibold hover:border-rim';

/** Which of several foods a line means: one press rewrites the line, or chooses between a food and a recipe of one name. */
export function Choices({ read, onText, onFood }: { read: Read; onText: (text: string) => void; onFood: (food: string) => void }) {
  if (read.choices.length === 0) return null;
  return (
    <fieldset className="mt-1 flex flex-wrap items-center gap-1 text-xs">
      <legend className="sr-only">Which one goes in?</legend>
      <span aria-hidden="true" className="text-steel">
        Which one goes in?
      </span>
      {read.choices.map((choice) => (
        <button
          key={choice.words}
          type="button"
          className={small}
          onClick={() => (choice.key === null ? onText(choice.line) : onFood(choice.key))}
        >
          {choice.words}
        </button>
      ))}
    </fieldset>
  );
}

/** What packets of the food differ by, where that matters to somebody. */
export function PacketsDiffer({ read }: { read: Read }) {
  if (read.packetsDiffer.length === 0) return null;
  return (
    <p className="text-xs text-steel">
      Packets differ in {read.packetsDiffer.join(', ')}
      <span className="print:hidden">: </span>
      <Link to="/larder/packet" className="font-semibold text-cobalt hover:underline print:hidden">
        read yours
      </Link>
    </p>
  );
}

/** The foods that come nearest to words nobody knows; what tells them apart (in 100 g) stands beside them while the line has the focus. */
export function NearestFoods({ read, onFood }: { read: Read; onFood: (food: string) => void }) {
  if (read.nearest.length === 0) return null;
  return (
    <>
      <p className="mt-1 hidden text-xs text-steel group-data-active:block">One of these? In 100 g:</p>
      <ol
        className="mt-1 flex flex-wrap gap-1 text-xs group-data-active:block group-data-active:space-y-0.5"
        aria-label="Foods that come nearest"
      >
        {read.nearest.map((food, at) => (
          <li key={food.key}>
            <button
              type="button"
              className={small}
              aria-keyshortcuts={`Alt+${at + 1}`}
              title={`${food.about} in 100 g`}
              // The list stays while the button is pressed: what is left must not move what is under the finger.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => onFood(food.key)}
            >
              {food.name}
              <span className="hidden font-normal text-steel group-data-active:inline">
                {' '}
                {food.about}
                <span className="max-sm:hidden"> · Alt+{at + 1}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </>
  );
}
