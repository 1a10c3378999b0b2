import { Link, useSearchParams } from 'react-router';

/** Which part of the place is open: the first where the address says nothing. */
export const usePart = () => useSearchParams()[0].get('part') ?? 'menus';

/** The parts of the place, each with how many things wait there. */
export function Parts({ label, of }: { label: string; of: [key: string, word: string, many: number][] }) {
  const part = usePart();
  return (
    <nav aria-label={label} className="flex gap-1">
      {of.map(([key, word, many]) => (
        <Link
          key={key}
          to={key === 'menus' ? '.' : `?part=${key}`}
          replace
          aria-current={key === part ? 'page' : undefined}
          className="flex min-h-11 items-center gap-1 border-b-2 border-transparent px-2 font-semibold text-steel aria-[current]:border-cobalt aria-[current]:text-rim"
        >
          {word}
          {many > 0 && <span className="figures font-normal">{many}</span>}
        </Link>
      ))}
    </nav>
  );
}
