import { antiforgeryToken, Problem, problemOf, type Schemas } from '../../api/client';

type Progress = Schemas['ImportProgress'];

/** Sends a file and tells each line of the answer as it comes; the last one holds the report. Aborting stops it, and nothing is kept. */
export async function importFile(
  file: Blob,
  apply: boolean,
  told: (progress: Progress) => void,
  stop: AbortSignal,
): Promise<Schemas['ImportReport']> {
  const response = await fetch(`/api/larder/packets/import?apply=${apply}`, {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'text/csv', 'X-Antiforgery': antiforgeryToken() },
    signal: stop,
  });
  if (!response.ok || !response.body) throw problemOf(response, await response.json().catch(() => ({})));
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    const lines = (rest + part.value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      const progress = JSON.parse(line) as Progress;
      told(progress);
      if (progress.report) return progress.report;
    }
  }
  throw new Problem(0, 'The file was not brought in: the answer ended early.', 'Nothing is kept. Try again.', 'import-stopped', 'file', '');
}
