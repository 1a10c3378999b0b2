import { afterEach, describe, expect, it, vi } from 'vitest';
import { Problem, type Schemas } from '../../api/client';
import { importFile } from './importFile';

const report: Schemas['ImportReport'] = { isApplied: true, rows: 2, added: 2, changed: 0, refused: 0, problems: [], sequence: 7 };

function answer(chunks: string[], status = 200) {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const chunk of chunks) controller.enqueue(new TextEncoder().encode(chunk));
      controller.close();
    },
  });
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status })));
}

const send = (told: (progress: Schemas['ImportProgress']) => void = () => {}) =>
  importFile(new Blob(['x']), true, told, new AbortController().signal);

afterEach(() => vi.unstubAllGlobals());

describe('bringing a file in', () => {
  it('tells each line as it comes, also when lines are cut anywhere', async () => {
    const lines = `${JSON.stringify({ done: 1, total: 2, report: null })}\n${JSON.stringify({ done: 2, total: 2, report })}\n`;
    answer([lines.slice(0, 7), lines.slice(7, 40), lines.slice(40)]);
    const done: number[] = [];
    await expect(send((progress) => done.push(progress.done))).resolves.toEqual(report);
    expect(done).toEqual([1, 2]);
  });

  it('is a problem with its cure when the server refuses the file', async () => {
    answer([JSON.stringify({ title: 'The file is not UTF-8 text.', detail: 'Save it again.', code: 'not-utf8', value: 'row 3' })], 422);
    const problem = await send().catch((error: unknown) => error);
    expect(problem).toBeInstanceOf(Problem);
    expect(problem).toMatchObject({ status: 422, title: 'The file is not UTF-8 text.', cure: 'Save it again.', value: 'row 3' });
  });

  it('is a problem when the answer ends before the report', async () => {
    answer([`${JSON.stringify({ done: 1, total: 2, report: null })}\n`]);
    await expect(send()).rejects.toThrow('the answer ended early');
  });
});
