import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, rememberAntiforgery, rememberNumberFormat, type Schemas, take } from '../api/client';
import { showAs } from './show';

export type AccountState = Schemas['AccountState'];

export function useAccount() {
  return useQuery({
    queryKey: ['account'],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => {
      const state = await take(api.GET('/api/account'));
      rememberAntiforgery(state.antiforgery);
      rememberNumberFormat(state.person?.numberFormat ?? 'point');
      if (state.person) showAs(state.person);
      return state;
    },
  });
}

/** Signing in or out makes another person of the page: everything is asked anew. */
export function useForgetEverything() {
  const queries = useQueryClient();
  return () => queries.resetQueries();
}
