import { useParams } from 'react-router';
import { weekStart } from '../pieces/show';

/** The week that the address names; a bad date falls back to the current week. */
export function useWeekDate(): string {
  const { date = '' } = useParams();
  return /^\d{4}-\d{2}-\d{2}$/.test(date) && !Number.isNaN(Date.parse(date))
    ? weekStart(date)
    : weekStart(new Date().toISOString().slice(0, 10));
}
