/** A batch's letter on a strip of masking tape. Text on tape is always dark, in both themes. */
export function Tape({ letter, name, big = false }: { letter: string; name?: string; big?: boolean }) {
  return (
    <span className={`torn inline-flex max-w-full min-w-0 items-center gap-1.5 bg-tape text-ink ${big ? 'px-3 py-1' : 'px-2 py-0.5'}`}>
      <b className={`font-display leading-none font-bold ${big ? 'text-xl' : 'text-base'}`}>{letter}</b>
      {name && <span className="truncate text-xs leading-tight">{name}</span>}
    </span>
  );
}
