import type { Schemas } from '../api/client';
import { money, portions } from '../pieces/show';
import { Tape } from '../pieces/Tape';

/** What this week's days threw away, why, and what had gone into it. */
export function Wasted({ title, wasted, says }: { title: string; wasted: Schemas['ShelfWaste'][]; says: string }) {
  if (wasted.length === 0) return null;
  const cost = wasted.reduce((sum, one) => sum + (one.cost ?? 0), 0);
  return (
    <section aria-label={title} className="mb-6 print:hidden">
      <h2 className="text-lg">{title}</h2>
      <ul className="figures">
        {wasted.map((one) => (
          <li key={`${one.tape}${one.dish}${one.reason}`} className="flex items-baseline gap-3 border-t border-line py-1">
            <Tape letter={one.tape} name={one.dish} />
            <span className="min-w-0 flex-1">
              {portions(one.portions)} {one.portions > 1 ? 'portions' : 'portion'}
              {one.reason && `: ${one.reason}`}
            </span>
            {one.cost !== null && <span>{money(one.cost)}</span>}
          </li>
        ))}
      </ul>
      {cost > 0 && (
        <p className="figures border-t border-line py-1 text-sm text-steel">
          About {money(cost)} of ingredients. {says}
        </p>
      )}
    </section>
  );
}
