import { useQueryClient } from '@tanstack/react-query';
import { api, take } from '../api/client';
import { useNotices } from './Notice';

/** Takes back the newest own change and asks everything anew; a refusal is said at the foot. */
export function useUndo() {
  const queries = useQueryClient();
  const { refused } = useNotices();
  /** @param then what comes first once it is taken back, such as leaving a page that is no more. */
  return (then?: () => void | Promise<void>): void =>
    void take(api.POST('/api/undo', { body: { sequence: null } }))
      .then(() => then?.())
      .then(() => queries.invalidateQueries(), refused);
}
