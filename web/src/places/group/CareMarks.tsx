import type { Schemas } from '../../api/client';

/** Words that want care, with what is said beside them. */
export function CareMarks({ of, caution }: { of: readonly Schemas['CareMark'][]; caution: string }) {
  const harm = of.filter((mark) => mark.kind === 'harm').map((mark) => `“${mark.words}”`);
  const claims = of.filter((mark) => mark.kind === 'healthClaim').map((mark) => `“${mark.words}”`);
  if (of.length === 0) return null;
  return (
    <div className="border-l-2 border-beet pl-2 text-sm">
      {harm.length > 0 && (
        <p>
          <b>May speak of harm:</b> {harm.join(', ')}. Look at it first.
        </p>
      )}
      {claims.length > 0 && (
        <p>
          <b>A health claim:</b> {claims.join(', ')}. {caution}
        </p>
      )}
    </div>
  );
}
