import { expect, test } from 'vitest';
import { waitingFor, workRows } from './workLines';

const task = (id: string, ...after: string[]) => ({ id, after });

test('steps one after the other stand on one lane', () => {
  expect(workRows([task('1'), task('2', '1'), task('3', '2')])).toEqual([
    { lane: 0, from: [], past: [], goesOn: true },
    { lane: 0, from: [0], past: [], goesOn: true },
    { lane: 0, from: [0], past: [], goesOn: false },
  ]);
});

test('what runs beside stands beside and comes in again', () => {
  expect(workRows([task('1'), task('2'), task('3', '1'), task('4', '2', '3')])).toEqual([
    { lane: 0, from: [], past: [], goesOn: true },
    { lane: 1, from: [], past: [0], goesOn: true },
    { lane: 0, from: [0], past: [1], goesOn: true },
    { lane: 1, from: [1, 0], past: [], goesOn: false },
  ]);
});

test('a step for which two wait runs past the first of them', () => {
  const rows = workRows([task('1'), task('2', '1'), task('3', '1')]);
  expect(rows[1]).toEqual({ lane: 1, from: [0], past: [0], goesOn: false });
  expect(rows[2]).toEqual({ lane: 0, from: [0], past: [], goesOn: false });
});

test('a step that waits for a later one or for none that is there is drawn all the same', () => {
  expect(workRows([task('1', '2'), task('2', 'gone')])).toEqual([
    { lane: 0, from: [], past: [], goesOn: false },
    { lane: 0, from: [], past: [], goesOn: false },
  ]);
  expect(workRows([])).toEqual([]);
});

test('what waits for a step, also through others, is what it cannot wait for', () => {
  const tasks = [task('1'), task('2', '1'), task('3', '2'), task('4')];
  expect([...waitingFor(tasks, '1')].sort()).toEqual(['2', '3']);
  expect([...waitingFor(tasks, '3')]).toEqual([]);
  expect([...waitingFor([task('a', 'b'), task('b', 'a')], 'a')].sort()).toEqual(['a', 'b']);
});
