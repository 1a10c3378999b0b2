import { useOutletContext, useParams } from 'react-router';
import { weekNamed } from '../pieces/show';

/** The week that the address names. */
export function useWeekDate(): string {
  const { date } = useParams();
  const { today } = useOutletContext<{ today: string }>();
  return weekNamed(date, today);
}
