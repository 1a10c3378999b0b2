import { Link } from 'react-router';

/** What Shop, Session and Shelf say of a week without a batch, with the one action that helps. */
export function NothingCooked({ date, children }: { date: string; children: string }) {
  return (
    <p className="m-6 max-w-md">
      {children}{' '}
      <Link to={`/week/${date}?make=1`} className="font-semibold text-cobalt hover:underline">
        Make a batch
      </Link>
    </p>
  );
}
