import type { Schemas } from '../../api/client';
import type { Waiting } from '../../pieces/outbox';
import { addDays } from '../../pieces/show';

type Box = Schemas['ShelfBox'];

/** A box with what was said of it and has not been sent yet. */
export type ShownBox = Box & { waits: { id: string; say: string } | null };

/** The boxes with what is on its way, so that it shows without a network too. */
export function withWhatWaits(boxes: Box[], waiting: readonly Waiting[]): ShownBox[] {
  return boxes.map((box) => {
    const act = waiting.findLast((one) => one.kind === 'box' && one.box === box.id && !one.undoId);
    return { ...box, waits: act?.kind === 'box' ? { id: act.id, say: act.say } : null };
  });
}

type Key = Box['keptIn'] | 'passed' | 'thaw' | 'next';

export type Compartment = { key: Key; title: string; note: string; boxes: ShownBox[] };

const compartments: [Key, string, string][] = [
  ['passed', 'Their meal has been', 'Say what became of them; what is still there keeps its clock.'],
  ['pastItsTime', 'Past their time', 'Their time is over, or their meal comes later than they keep.'],
  ['thaw', 'To the fridge tonight', 'They thaw there for tomorrow; what is thawed keeps a day or two.'],
  ['next', 'Today and tomorrow', 'What is eaten next.'],
  ['fridge', 'Fridge', 'At 4 °C or below.'],
  ['freezer', 'Freezer', 'Frozen on the day they are cooked; thawed in the fridge the evening before.'],
];

/** Boxes by where they stand, those of earlier weeks first, then in the order they are eaten. */
export function inCompartments(boxes: ShownBox[], meals: readonly string[], today: string): Compartment[] {
  const tomorrow = addDays(today, 1);
  const keyOf = (box: ShownBox): Key =>
    box.place && box.place.date < today
      ? 'passed'
      : box.keptIn === 'freezer' && box.isThere && box.thaw !== null && box.thaw <= today
        ? 'thaw'
        : box.keptIn !== 'pastItsTime' && box.place && box.place.date <= tomorrow
          ? 'next'
          : box.keptIn;
  const order = (box: ShownBox) =>
    [
      box.isEarlier ? '0' : '1',
      box.place?.date ?? '9',
      meals.indexOf(box.place?.meal ?? '') + 1,
      box.eater ?? '',
      box.eatBy,
      String(box.number).padStart(3, '0'),
    ].join(' ');
  return compartments
    .map(([key, title, note]) => ({
      key,
      title,
      note,
      boxes: boxes.filter((box) => keyOf(box) === key).sort((one, other) => order(one).localeCompare(order(other))),
    }))
    .filter((one) => one.boxes.length > 0);
}

/** What can be said of a box where it stands. */
export type Saying = { kind: Schemas['BoxEventKind']; word: string; say: string; portions: number | null };

export const isEaten = (box: Box): Saying => ({ kind: 'eaten', word: 'Eaten', say: `${box.tape} ${box.dish} is eaten.`, portions: null });

/** What is said later of a meal that has been happened at noon of its day. */
export function momentOf(box: Box, kind: Schemas['BoxEventKind'], now: Date): string {
  const then = box.place && kind === 'eaten' ? new Date(`${box.place.date}T12:00`) : now;
  return (then < now ? then : now).toISOString();
}

export function sayings(box: Box, today: string): Saying[] {
  // A planned box of a session that is still to come is no box yet.
  if (!box.isThere && box.madeOn > today) return [];
  const dish = `${box.tape} ${box.dish}`;
  return [
    isEaten(box),
    { kind: 'eaten', word: 'Half eaten', say: `Half of ${dish} is eaten.`, portions: box.size / 2 },
    ...(box.isThere && box.keptIn === 'freezer'
      ? [{ kind: 'toFridge', word: 'To the fridge', say: `${dish} thaws in the fridge.`, portions: null } as const]
      : // Freezing does not turn a clock back.
        box.freezes && box.eatBy >= today
        ? [{ kind: 'frozen', word: 'Freeze', say: `${dish} is frozen.`, portions: null } as const]
        : []),
    { kind: 'given', word: 'Given away', say: `${dish} is given away.`, portions: null },
  ];
}

/** Why food is thrown away; kept with the batch. */
export const reasons = ['past its time', 'spoiled', 'did not taste', 'too much', 'an accident'];
