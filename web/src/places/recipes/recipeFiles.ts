import { antiforgeryToken, api, problemOf, type Schemas, take } from '../../api/client';

export type FileRead = Schemas['FileRead'];

/** So many characters go to the server at once, so that a long folder shows how far it is. */
const chunk = 400_000;
const mostFiles = 25;
/** What is larger holds more than a recipe. */
const mostBytes = 4_000_000;

const isZip = (file: File) => /\.zip$/i.test(file.name);
const isRecipeFile = (file: File) => /\.(txt|md|markdown|json|jsonld|html?)$/i.test(file.name);
const nameOf = (file: File) => file.webkitRelativePath || file.name;

/** Reads files, folders and archives in pieces and tells each piece's answer as it comes; aborting stops between two of them. */
export async function readRecipeFiles(
  files: readonly File[],
  told: (read: FileRead[], done: number) => void,
  stop: AbortSignal,
): Promise<void> {
  let waiting: { name: string; text: string }[] = [];
  let done = 0;
  const send = async () => {
    if (waiting.length === 0) return;
    const sent = waiting;
    waiting = [];
    const read = await take(api.POST('/api/recipes/import/read', { body: { files: sent }, signal: stop }));
    done += sent.length;
    told(read, done);
  };
  for (const file of files) {
    stop.throwIfAborted();
    if (file.name.startsWith('.')) {
      told([], ++done);
    } else if (isZip(file)) {
      await send();
      told(await readZip(file, stop), ++done);
    } else if (!isRecipeFile(file) || file.size > mostBytes) {
      told([{ file: nameOf(file), recipe: null, problem: notRead(file), needs: [], isThere: false }], ++done);
    } else {
      const text = textOf(await file.arrayBuffer());
      if (waiting.length >= mostFiles || waiting.reduce((sum, one) => sum + one.text.length, text.length) > chunk) await send();
      waiting.push({ name: nameOf(file), text });
    }
  }
  await send();
}

/** Old files are often written in the letters of western Europe. */
function textOf(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

const notRead = (file: File) =>
  file.size > mostBytes
    ? 'It is larger than 4 MB; a recipe is far smaller.'
    : /\.(jpe?g|png|webp|gif|heic)$/i.test(file.name)
      ? 'It is a picture; a picture is added on the recipe’s sheet.'
      : 'It is no recipe file; those end in .txt, .md, .json, .html or .zip.';

async function readZip(file: File, stop: AbortSignal): Promise<FileRead[]> {
  const response = await fetch('/api/recipes/import/zip', {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/zip', 'X-Antiforgery': antiforgeryToken() },
    signal: stop,
  });
  const answer = await response.json().catch(() => ({}));
  if (!response.ok) throw problemOf(response, answer);
  return answer as FileRead[];
}
