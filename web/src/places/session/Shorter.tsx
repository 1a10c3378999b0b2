import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { minutes } from '../../pieces/show';
import type { Page } from './steps';

/** What would have a session over earlier, tried when somebody asks. */
export function Shorter({ page, week }: { page: Page; week: string }) {
  const [isAsked, setAsked] = useState(false);
  const found = useQuery({
    // Under the session's own word: what changes the session changes this.
    queryKey: ['session', week, 'shorter', page.date],
    enabled: isAsked,
    queryFn: () => take(api.GET('/api/weeks/{date}/sessions/{day}/shorter', { params: { path: { date: week, day: page.date } } })),
  });
  if (!isAsked)
    return (
      <p className="mb-2 print:hidden">
        <Button look="bare" onClick={() => setAsked(true)}>
          What would shorten it?
        </Button>
      </p>
    );
  return (
    <Asked of={found}>
      {(ways) => (
        <ul className="mb-2 border-l-2 border-line pl-2">
          {ways.length === 0 && <li>Neither one more cook nor another place for a step would.</li>}
          {ways.map((way) => (
            <li key={way.says}>
              <b className="figures">{minutes(way.minutes)} less:</b> {way.says}
            </li>
          ))}
        </ul>
      )}
    </Asked>
  );
}
