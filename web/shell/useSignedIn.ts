import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, forgetAnswers, type Schemas, send } from '../api/client';
import { forgetPhone, keptPhone } from '../phone/plan';

export type User = NonNullable<Schemas['SignedIn']['user']>;

const KEY = ['session'];

/** Who is signed in; null when nobody is. */
export function useSignedIn() {
  return useQuery({
    queryKey: KEY,
    queryFn: async () => (await send(() => api.GET('/api/session'))).user,
    staleTime: Infinity,
  });
}

export function useSignIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { email: string; password: string; stay: boolean }) => send(() => api.POST('/api/session', { body })),
    onSuccess: async (answer) => {
      forgetAnswers();
      // What another left on this phone is not shown to whoever signs in now.
      if (keptPhone()?.person !== answer.user?.id) forgetPhone();
      queries.setQueryData(KEY, answer.user);
      await queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== KEY[0] });
    },
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => send(() => api.DELETE('/api/session')),
    onSuccess: () => {
      forgetAnswers();
      queries.clear();
      queries.setQueryData(KEY, null);
    },
  });
}
