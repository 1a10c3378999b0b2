import type { Schemas } from '../../api/client';
import { putIntoOutbox } from '../../pieces/outbox';

export type Task = Schemas['SessionTask'];
export type Page = Schemas['SessionPage'];

/** What is said of a step, all of it: what is changed and what stays. */
export function sayOfStep(week: string, task: Task, change: Partial<Omit<Schemas['StepRequest'], 'batchId' | 'taskId'>>) {
  const { batchId, taskId, isTicked, put, handsOffAt, untilAt, doneAt, isSkipped } = task;
  putIntoOutbox({
    kind: 'task',
    week,
    say: `${task.letter}, ${task.text}`,
    body: { batchId, taskId, isTicked, put, handsOffAt, untilAt, doneAt, isSkipped, ...change },
  });
}

export const tick = (week: string, task: Task, isTicked: boolean) =>
  sayOfStep(week, task, { isTicked, doneAt: isTicked ? new Date().toISOString() : null, isSkipped: false });

/** Minutes that it goes on by itself. */
export const aloneOf = (task: Task) => task.end - task.handsOnEnd;

export const keyOf = (task: Task) => `${task.batchId}${task.taskId}`;

const isRunning = (task: Task) => !task.isTicked && task.untilAt !== null;

/** What runs, the first to ring first. */
export const runningOf = (page: Page) =>
  page.tasks.filter(isRunning).sort((one, other) => Date.parse(one.untilAt ?? '') - Date.parse(other.untilAt ?? ''));

/** What is still to do by somebody, in order. */
export const toDoOf = (page: Page) => page.tasks.filter((task) => !task.isTicked && !isRunning(task));

/** The time of a minute of the session in its household, as its clocks show it then. */
export function timeOf(page: Page, minute: number): string {
  return timeAt(new Date(Date.parse(page.beginsAt) + minute * 60_000), page.timeZone);
}

export const timeAt = (moment: Date, timeZone: string) =>
  moment.toLocaleTimeString('en-GB', { timeZone, hour: 'numeric', minute: '2-digit' });

/** "4:05", "−0:20" of seconds. */
export function countdown(seconds: number): string {
  const [sign, left] = seconds < 0 ? ['−', -seconds] : ['', seconds];
  const hours = Math.floor(left / 3600);
  const rest = `${Math.floor((left % 3600) / 60)}`;
  const tail = String(Math.floor(left % 60)).padStart(2, '0');
  return hours > 0 ? `${sign}${hours}:${rest.padStart(2, '0')}:${tail}` : `${sign}${rest}:${tail}`;
}

/** The minute of a session at which its clocks show a time, within a day; null for none. */
export function minuteOf(page: Page, time: string): number | null {
  for (let minute = 0; minute < 24 * 60; minute++) if (timeOf(page, minute).padStart(5, '0') === time) return minute;
  return null;
}
