import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, rememberAntiforgery, rememberNumberFormat, type Schemas, take } from '../api/client';
import { forgetSeen, openSeen, seen } from './seen';
import { showAs } from './show';

export type AccountState = Schemas['AccountState'];

export function useAccount() {
  return useQuery({
    queryKey: ['account'],
    staleTime: Number.POSITIVE_INFINITY,
    // What was last seen says who it was; the server says who it is.
    refetchOnReconnect: 'always',
    queryFn: async (asked) => {
      const state = await seen('account', asked, () => take(api.GET('/api/account')));
      rememberAntiforgery(state.antiforgery);
      rememberNumberFormat(state.person?.numberFormat ?? 'point');
      if (state.person) {
        showAs(state.person);
        openSeen(`${state.person.household} ${state.person.email}`);
      }
      return state;
    },
  });
}

/** Signing in or out makes another person of the page: everything is asked anew. */
export function useForgetEverything() {
  const queries = useQueryClient();
  return async () => {
    await forgetSeen();
    await queries.resetQueries();
  };
}
