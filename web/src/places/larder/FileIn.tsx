import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Problem, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { useNotices } from '../../pieces/Notice';
import { ProblemNote } from '../../pieces/ProblemNote';
import { number } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';

type Report = Schemas['ImportReport'];
type State =
  | { kind: 'waiting' }
  | { kind: 'running'; apply: boolean; done: number; total: number }
  | { kind: 'read'; report: Report }
  | { kind: 'refused'; problem: Problem };

type Props = {
  /** Sends the file, to be kept or in a dry run. */
  send: (file: Blob, apply: boolean, told: (done: number, total: number) => void, stop: AbortSignal) => Promise<Report>;
  say: (report: Report) => string;
};

/** A CSV file brought in: a dry run first says what would happen, row by row where something is wrong. */
export function FileIn({ send, say }: Props) {
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
      const report = await send(
        new Blob([await chosen.arrayBuffer()]),
        apply,
        (rows, total) => setState({ kind: 'running', apply, done: rows, total }),
        controller.signal,
      );
      setState({ kind: 'read', report });
      if (report.isApplied) {
        await queries.invalidateQueries();
        done(say(report), () => undo(report.sequence));
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
    <>
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
    </>
  );
}

function Told({ report, onApply }: { report: Report; onApply: () => void }) {
  const nothing = report.added + report.changed === 0;
  return (
    <div className="text-sm">
      <p className="figures mb-2">
        {number(report.rows, 0)} rows: {number(report.added, 0)} new, {number(report.changed, 0)} changed,{' '}
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
