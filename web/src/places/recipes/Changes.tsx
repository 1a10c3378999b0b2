import type { Schemas } from '../../api/client';

/** What one version of a recipe has otherwise than another. */
export function Changes({ of, none }: { of: readonly Schemas['VersionChange'][]; none: string }) {
  if (of.length === 0) return <p className="text-sm text-steel">{none}</p>;
  return (
    <dl className="grid grid-cols-[6rem_minmax(0,1fr)] gap-x-3 text-sm">
      {of.map((change) => (
        <div key={`${change.what} ${change.was} ${change.now}`} className="contents">
          <dt className="text-steel">{change.what}</dt>
          <dd className="wrap-anywhere">
            {change.was && <del className="mr-2 text-steel">{change.was}</del>}
            {change.now && <ins className="no-underline">{change.now}</ins>}
            {!change.was && <span className="text-steel"> new</span>}
            {!change.now && <span className="text-steel"> left out</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}
