import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, kept, Problem } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { number, typedNumber } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { useKeepingClasses } from './queries';
import { type FileRead, readRecipeFiles } from './recipeFiles';

type Row = FileRead & { key: string; isTaken: boolean };
type Draft = NonNullable<FileRead['recipe']>['draft'];

const pick =
  'mt-1 block text-sm font-normal file:mr-3 file:min-h-9 file:rounded-sm file:border file:border-line file:bg-enamel file:px-3 file:font-semibold';

/** What stands in a row's way after what was filled in beside it. */
const isReady = (row: Row) =>
  row.recipe !== null &&
  row.problem === null &&
  row.recipe.draft.portions !== null &&
  (row.recipe.draft.keeping !== '' || !row.needs.includes('keeping'));

/** Files, a folder or an archive of recipes: read first and looked over, then brought in with one edit. */
export function ImportPage() {
  const [rows, setRows] = useState<Row[]>([]);
  const [reading, setReading] = useState<{ done: number; all: number } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const stop = useRef<AbortController | null>(null);
  const navigate = useNavigate();
  const edit = useEdit();

  const read = async (files: File[]) => {
    if (files.length === 0) return;
    const controller = new AbortController();
    stop.current = controller;
    setProblem(null);
    setRows([]);
    setReading({ done: 0, all: files.length });
    try {
      await readRecipeFiles(
        files,
        (found, done) => {
          // What is in the library already is left out until the cook says otherwise.
          setRows((before) => [
            ...before,
            ...found.map((one, at) => ({ ...one, key: `${before.length + at}`, isTaken: one.recipe !== null && !one.isThere })),
          ]);
          setReading({ done, all: files.length });
        },
        controller.signal,
      );
    } catch (error) {
      if (!controller.signal.aborted)
        setProblem(
          error instanceof Problem
            ? error
            : new Problem(0, 'The files could not be read.', 'Choose them again; nothing is kept.', '', '', ''),
        );
    }
    setReading(null);
  };

  const change = (key: string, next: Partial<Row>) => setRows((all) => all.map((row) => (row.key === key ? { ...row, ...next } : row)));
  const taken = rows.filter((row) => row.isTaken && isReady(row));
  const bringIn = () =>
    edit.run({
      ask: () => kept(api.POST('/api/recipes/import', { body: { recipes: taken.flatMap((row) => (row.recipe ? [row.recipe] : [])) } })),
      first: () => navigate('/recipes'),
      say: taken.length === 1 ? `${taken[0]?.recipe?.draft.name} came in.` : `${taken.length} recipes came in.`,
    });

  return (
    <div className="mx-auto max-w-6xl p-4 md:p-6">
      <h1 className="mb-1 text-xl">Bring recipes in</h1>
      <p className="mb-3 max-w-2xl text-sm">
        Text, Markdown, saved web pages, recipe files (JSON) and zip archives. They are read first; you look them over, and then they come
        in together. One undo takes all of them back.
      </p>
      <div className="flex flex-wrap gap-8">
        <label className="text-sm font-semibold">
          Files or a zip
          <input type="file" multiple className={pick} onChange={(event) => void read([...(event.target.files ?? [])])} />
        </label>
        <label className="text-sm font-semibold">
          A folder
          <input
            type="file"
            multiple
            {...{ webkitdirectory: '' }}
            className={pick}
            onChange={(event) => void read([...(event.target.files ?? [])])}
          />
        </label>
      </div>
      <div aria-live="polite" className="mt-4">
        {reading && (
          <div className="max-w-md text-sm">
            <p className="figures">
              Reading … {number(reading.done, 0)} of {number(reading.all, 0)} files
            </p>
            <progress
              value={reading.done}
              max={reading.all}
              aria-label="Files"
              className="my-1 h-2 w-full appearance-none bg-tray [&::-moz-progress-bar]:bg-cobalt [&::-webkit-progress-bar]:bg-tray [&::-webkit-progress-value]:bg-cobalt"
            />
            <Button onClick={() => stop.current?.abort()}>Stop</Button>
          </div>
        )}
        <ProblemNote of={problem ?? edit.problem} isInFile />
      </div>
      {rows.length > 0 && (
        <>
          <table className="rimmed mt-2 w-full border-x border-b border-line text-sm">
            <thead className="text-left text-xs text-steel">
              <tr>
                {['', 'Recipe', 'Portions', 'Lines', 'What to look at'].map((word) => (
                  <th key={word} className="px-2 py-1 font-normal">
                    {word || <span className="sr-only">Brought in</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <FileRow key={row.key} row={row} onChange={(next) => change(row.key, next)} />
              ))}
            </tbody>
          </table>
          <div className="mt-3 flex items-center gap-4">
            <Button look="main" disabled={taken.length === 0 || reading !== null || edit.isPending} onClick={() => void bringIn()}>
              {taken.length === 1 ? 'Bring 1 recipe in' : `Bring ${taken.length} recipes in`}
            </Button>
            <p className="text-sm text-steel">
              {rows.length - taken.length > 0 && `${rows.length - taken.length} of ${rows.length} stay out.`}
            </p>
          </div>
        </>
      )}
    </div>
  );
}

function FileRow({ row, onChange }: { row: Row; onChange: (next: Partial<Row>) => void }) {
  const keeping = useKeepingClasses();
  const { recipe } = row;
  const fill = (change: Partial<Draft>) => recipe && onChange({ recipe: { ...recipe, draft: { ...recipe.draft, ...change } } });
  const ready = isReady(row);
  return (
    <tr className={`border-t border-line align-top ${row.isTaken && ready ? '' : 'text-steel'}`}>
      <td className="px-2 py-1.5">
        <input
          type="checkbox"
          className="accent-cobalt"
          aria-label={`Bring in ${recipe?.draft.name ?? row.file}`}
          checked={row.isTaken && ready}
          disabled={!ready}
          onChange={(event) => onChange({ isTaken: event.target.checked })}
        />
      </td>
      <td className="px-2 py-1.5 wrap-anywhere">
        <span className="font-semibold">{recipe?.draft.name ?? row.file}</span>
        {recipe && <span className="block text-xs text-steel">{row.file}</span>}
      </td>
      <td className="px-2 py-1">
        {recipe && (
          <input
            aria-label={`Portions of ${recipe.draft.name}`}
            inputMode="decimal"
            defaultValue={recipe.draft.portions ?? ''}
            onChange={(event) => {
              const portions = typedNumber(event.target.value);
              fill({ portions: portions !== null && portions >= 0.25 && portions <= 1000 ? portions : null });
            }}
            className={`${inputLook} w-16`}
          />
        )}
      </td>
      <td className="figures px-2 py-1.5">{recipe?.draft.lines.length}</td>
      <td className="px-2 py-1.5">
        {row.problem}
        {recipe && recipe.draft.portions === null && 'How many portions does it make? '}
        {recipe?.draft.keeping === '' && row.needs.includes('keeping') && 'Nothing in it says how it keeps.'}
        {ready && row.isThere && 'A recipe of this name is in the library; tick it to have both.'}
        {recipe && row.needs.includes('keeping') && (
          <select
            aria-label={`How ${recipe.draft.name} keeps`}
            value={recipe.draft.keeping}
            onChange={(event) => fill({ keeping: event.target.value })}
            className={`${inputLook} mt-1 block w-full`}
          >
            <option value="">Choose what kind of dish it is</option>
            {(keeping.data ?? []).map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}
              </option>
            ))}
          </select>
        )}
      </td>
    </tr>
  );
}
