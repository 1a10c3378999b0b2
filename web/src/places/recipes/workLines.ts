import type { Schemas } from '../../api/client';

type Task = Pick<Schemas['DraftTask'], 'id' | 'after'>;

/** Where a step stands in the drawing of what waits for what, and what runs past it. */
export interface WorkRow {
  lane: number;
  /** lanes that come from above and end in this step */
  from: number[];
  /** lanes that run past it */
  past: number[];
  /** whether something below waits for it */
  goesOn: boolean;
}

/** Lays each step on a lane: what waits for the step before it goes on below it, what runs beside stands beside. */
export function workRows(tasks: readonly Task[]): WorkRow[] {
  const place = new Map(tasks.map((task, at) => [task.id, at]));
  const before = tasks.map((task, at) => task.after.map((id) => place.get(id)).filter((one) => one !== undefined && one < at) as number[]);
  const last = tasks.map((_, at) => Math.max(at, ...before.map((own, other) => (own.includes(at) ? other : at))));
  const lanes: number[] = [];
  const holds: (number | null)[] = [];
  return tasks.map((_, at) => {
    const waitsFor = before[at] ?? [];
    const from = waitsFor.map((one) => lanes[one] as number);
    const ending = waitsFor.find((one) => last[one] === at);
    const free = holds.indexOf(null);
    const lane = ending !== undefined ? (lanes[ending] as number) : free >= 0 ? free : holds.length;
    lanes[at] = lane;
    for (let held = 0; held < holds.length; held++) {
      const holder = holds[held];
      if (holder !== null && holder !== undefined && (last[holder] as number) <= at) holds[held] = null;
    }
    const past = holds.flatMap((holder, held) => (holder === null ? [] : [held]));
    holds[lane] = last[at] === at ? null : at;
    return { lane, from, past: past.filter((held) => held !== lane), goesOn: last[at] !== at };
  });
}

/** Ids of the steps that wait for one, also through others: it cannot wait for them. */
export function waitingFor(tasks: readonly Task[], id: string): Set<string> {
  const found = new Set<string>();
  const open = [id];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    for (const task of tasks) {
      if (task.after.includes(next) && !found.has(task.id)) {
        found.add(task.id);
        open.push(task.id);
      }
    }
  }
  return found;
}
