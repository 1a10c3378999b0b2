import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Problem, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { useNotices } from '../../pieces/Notice';
import { ProblemNote } from '../../pieces/ProblemNote';
import { number } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { importFile } from './importFile';

type Report = Schemas['ImportReport'];
type State =
  | { kind: 'waiting' }
  | { kind: 'running'; apply: boolean; done: number; total: number }
  | { kind: 'read'; report: Report }
  | { kind: 'refused'; problem: Problem };

/** Packets out as a file, and in again: a dry run first says what would happen, row by row where something is wrong. */
export function FilePage() {
  const [file, setFile] = useState<File | null>(null);
  const [state, setState] = useState<State>({ kind: 'waiting' });
  const stop = useRef<AbortController | null>(null);
  const queries = useQueryClient();
  const { done } = useNotices();
  const { undo } = useEdit();
  const run = async (chosen: File, apply: boolean) => {
    const controller = new AbortController();
    stop.current = controller;
    setState({ kind: 'running', apply, done: 0, total: 0 });
    try {
      // Read into memory first, so that a file edited meanwhile does not change under the answer.
      const report = await importFile(
        new Blob([await chosen.arrayBuffer()]),
        apply,
        (progress) => setState({ kind: 'running', apply, done: progress.done, total: progress.total }),
        controller.signal,
      );
      setState({ kind: 'read', report });
      if (report.isApplied) {
        await queries.invalidateQueries();
        done(`${number(report.added, 0)} packets came in, ${number(report.changed, 0)} have a new version.`, () => undo(report.sequence));
      }
    } catch (error) {
      if (controller.signal.aborted) setState({ kind: 'waiting' });
      else
        setState({
          kind: 'refused',
          problem:
            error instanceof Problem
              ? error
              : new Problem(0, 'The file could not be sent.', 'Choose it again; nothing is kept.', '', '', ''),
        });
    }
  };
  return (
    <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_18rem]">
      <section>
        <h2 className="mb-1 text-lg">Bring packets in</h2>
        <p className="mb-3 text-sm">
          A CSV file, one packet a row, everything as printed. It is read in a dry run first; then it comes in whole or not at all. A packet
          of a name that is in use gets a new version.
        </p>
        <label className="block text-sm font-semibold">
          CSV file
          <input
            type="file"
            accept=".csv,text/csv"
            className="mt-1 block text-sm font-normal file:mr-3 file:min-h-9 file:rounded-sm file:border file:border-line file:bg-enamel file:px-3 file:font-semibold"
            onChange={(event) => {
              const chosen = event.target.files?.[0] ?? null;
              setFile(chosen);
              if (chosen) void run(chosen, false);
            }}
          />
        </label>
        <div className="mt-4" aria-live="polite">
          {state.kind === 'running' && (
            <div className="max-w-md text-sm">
              <p className="figures">
                {state.apply ? 'Bringing in' : 'Reading'} … {number(state.done, 0)} of {number(state.total, 0)}
              </p>
              <progress
                value={state.done}
                max={state.total || 1}
                aria-label="Rows"
                className="my-1 h-2 w-full appearance-none bg-tray [&::-moz-progress-bar]:bg-cobalt [&::-webkit-progress-bar]:bg-tray [&::-webkit-progress-value]:bg-cobalt"
              />
              <Button onClick={() => stop.current?.abort()}>Stop</Button>
            </div>
          )}
          {state.kind === 'refused' && <ProblemNote of={state.problem} isInFile />}
          {state.kind === 'read' && <Told report={state.report} onApply={() => file && void run(file, true)} />}
        </div>
      </section>
      <aside className="text-sm">
        <h2 className="mb-1 text-lg">Take packets out</h2>
        <p className="mb-2">All packets in use as the same kind of file.</p>
        <a
          href="/api/larder/packets.csv"
          download
          className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 font-semibold hover:border-rim"
        >
          Save the file
        </a>
        <h3 className="mt-5 mb-1 text-base">Columns</h3>
        <p className="text-steel">
          name, country (US, CA, EU, UK, AU, NZ, other), serving; and of these those you have: basis, energy, fat, saturated_fat,
          carbohydrate, fibre, sugars, added_sugars, polyols, allulose, protein, sodium, salt, ingredients, may_contain, pack, price,
          points, opened_days, classes, aisle. UTF-8, commas or semicolons. An empty cell is not printed, never zero.
        </p>
      </aside>
    </div>
  );
}

function Told({ report, onApply }: { report: Report; onApply: () => void }) {
  const nothing = report.added + report.changed === 0;
  return (
    <div className="text-sm">
      <p className="figures mb-2">
        {number(report.rows, 0)} rows: {number(report.added, 0)} new, {number(report.changed, 0)} with a new version,{' '}
        {number(report.rows - report.added - report.changed - report.refused, 0)} as they are, {number(report.refused, 0)} wrong.
      </p>
      {report.isApplied && <p className="font-semibold">All of it came in.</p>}
      {!report.isApplied && report.refused === 0 && (
        <Button look="main" onClick={onApply} disabled={nothing}>
          {nothing ? 'Nothing to bring in' : 'Bring it in'}
        </Button>
      )}
      {report.problems.length > 0 && (
        <>
          <p className="mb-1 font-semibold">
            Nothing is kept until every row can be read.
            {report.refused > report.problems.length && ` The first ${report.problems.length} are shown.`}
          </p>
          <table className="rimmed w-full border-x border-b border-line">
            <thead className="text-left text-xs text-steel">
              <tr>
                {['Row', 'Column', 'Value', 'What is wrong', 'Cure'].map((word) => (
                  <th key={word} className="px-2 py-1 font-normal">
                    {word}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {report.problems.map((problem) => (
                <tr key={problem.row} className="border-t border-line align-top">
                  <td className="figures px-2 py-1">{problem.row}</td>
                  <td className="px-2 py-1">{problem.column}</td>
                  <td className="px-2 py-1 break-all">{problem.value || <span className="text-steel">empty</span>}</td>
                  <td className="px-2 py-1">{problem.reason}</td>
                  <td className="px-2 py-1">{problem.cure}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
