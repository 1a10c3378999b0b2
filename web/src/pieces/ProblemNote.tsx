import type { Problem } from '../api/client';

/** What the server refused and the cure, beside what was typed. */
export function ProblemNote({
  of: problem,
  isInFile = false,
  className = '',
}: {
  of: Problem | null | undefined;
  /** True where the form does not show its fields by itself: then field and value are named. */
  isInFile?: boolean;
  className?: string;
}) {
  if (!problem) return null;
  return (
    <p role="alert" className={`text-sm ${className}`}>
      <b className="text-beet">{problem.title}</b> {isInFile && problem.field && <code className="text-xs">{problem.field}</code>}{' '}
      {isInFile && problem.value && `holds ${problem.value}. `}
      {problem.cure}
    </p>
  );
}
