import type { Sheet } from './queries';

type SheetClaim = Sheet['claims'][number];

const words: Record<SheetClaim['verdict'], string> = {
  agrees: 'agrees',
  differs: 'differs',
  cannotBe: 'cannot be',
  cantTell: 'can’t tell',
  saidBefore: 'said before a change',
};

/** What the source says of the dish that is shown, beside what we count. */
export function Claims({ sheet }: { sheet: Pick<Sheet, 'claims' | 'variant' | 'source'> }) {
  const claims = sheet.claims.filter((one) => (one.claim.variant ?? null) === sheet.variant);
  if (claims.length === 0)
    return sheet.source ? (
      <section className="mt-6">
        <h2 className="text-lg">Where it comes from</h2>
        <SourceLine source={sheet.source} />
      </section>
    ) : null;
  return (
    <section className="mt-6">
      <h2 className="text-lg">What its source says</h2>
      <SourceLine source={sheet.source} />
      <table className="figures mt-1 w-full text-sm">
        <thead className="text-left text-xs text-steel">
          <tr>
            <th className="font-normal">A portion</th>
            <th className="pl-2 text-right font-normal">Theirs</th>
            <th className="pl-3 font-normal">Ours</th>
            <th className="pl-2 font-normal">
              <span className="sr-only">How they compare</span>
            </th>
          </tr>
        </thead>
        <tbody className="align-top">
          {claims.map((one) => (
            <Row key={`${one.claim.what} ${one.claim.part ?? ''}`} of={one} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Row({ of }: { of: SheetClaim }) {
  const isDoubted = of.verdict !== 'agrees';
  return (
    <>
      <tr className="border-t border-line">
        <th scope="row" className="py-1 text-left font-normal">
          {of.name}
          {of.claim.part && <span className="text-steel"> of {of.claim.part}</span>}
        </th>
        <td
          className={`py-1 pl-2 text-right whitespace-nowrap ${of.verdict === 'saidBefore' ? 'text-steel line-through' : 'font-semibold'}`}
        >
          {of.theirs}
        </td>
        <td className="py-1 pl-3">{of.ours ?? '–'}</td>
        <td className={`py-1 pl-2 text-right whitespace-nowrap ${isDoubted ? 'font-semibold' : 'text-steel'}`}>{words[of.verdict]}</td>
      </tr>
      {of.because && (
        <tr>
          <td colSpan={4} className="pb-1 text-xs text-steel">
            {of.because}
          </td>
        </tr>
      )}
    </>
  );
}

function SourceLine({ source }: { source: string }) {
  if (!source) return null;
  return (
    <p className="text-sm wrap-anywhere text-steel">
      {/^https?:\/\//.test(source) ? (
        <a href={source} target="_blank" rel="noreferrer" className="text-cobalt hover:underline">
          {source}
        </a>
      ) : (
        source
      )}
    </p>
  );
}
