import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';

type Vessel = Schemas['SheetVessel'];

/** How a recipe goes into the household's vessels; nothing while the number of portions is none. */
export const useVessels = (id: string, portions: number | null) =>
  useQuery({
    queryKey: ['recipes', id, 'vessels', portions],
    enabled: id !== '' && portions !== null && portions > 0,
    queryFn: () => take(api.GET('/api/recipes/{id}/vessels', { params: { path: { id }, query: portions === null ? {} : { portions } } })),
  });

/** What does not go into a vessel at once, before anybody cooks. */
export function TooLarge({ vessels }: { vessels: readonly Vessel[] | undefined }) {
  const tight = (vessels ?? []).filter((vessel) => vessel.verdict !== 'fits');
  if (tight.length === 0) return null;
  return (
    <ul aria-label="Vessels" className="figures space-y-1 border-l-2 border-rim pl-2 text-sm">
      {tight.map((vessel) => (
        <li key={vessel.task}>
          <b className="first-letter:uppercase">{vessel.said}</b>
          <span className="block text-xs text-steel">{vessel.text}</span>
        </li>
      ))}
    </ul>
  );
}
