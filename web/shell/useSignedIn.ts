import {
  type Query,
  type QueryClient,
  useIsMutating,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useEffect } from 'react';

import { api, forgetAnswers, type Schemas, send } from '../api/client';
import { queryKeys } from '../api/queryKeys';
import { keepPhoneOnlyOf } from '../phone/plan';
import { hearTabs, tellTabs } from './tabs';

export type User = NonNullable<Schemas['SignedIn']['user']>;

/** Whether the installation has no practice yet; asked for with who is signed in. */
let isNew = false;

export const isNewInstallation = (): boolean => isNew;

const SIGN_OUT = ['sign-out'];

const firstPage = (): string => (window.location.pathname.startsWith('/athlete') ? '/athlete' : '/');

/** Everything of whoever was signed in goes from this tab: answers, what is still on its way, and the page. */
function forgetSession(queries: QueryClient): void {
  forgetAnswers();
  const others = { predicate: (query: Query) => query.queryKey[0] !== queryKeys.session[0] };
  void queries.cancelQueries(others);
  // First who is signed in, so that everything that watches it leaves the page; then all that the page held.
  queries.setQueryData(queryKeys.session, null);
  queries.removeQueries(others);
}

/** After signing out: nothing is left in any tab, and the next person begins at the first page. */
export function endSession(queries: QueryClient): void {
  tellTabs('signed-out');
  forgetSession(queries);
  window.history.replaceState(null, '', firstPage());
  window.dispatchEvent(new PopStateEvent('popstate'));
}

/** Who is signed in; null when nobody is. */
export function useSignedIn() {
  const queries = useQueryClient();
  useEffect(
    () =>
      hearTabs((session) => {
        // In every tab at once: the page of the last athlete is not left for the next person.
        if (session === 'signed-out') forgetSession(queries);
        else window.location.assign(firstPage());
      }),
    [queries],
  );
  return useQuery({
    queryKey: queryKeys.session,
    queryFn: async () => {
      const session = await send(() => api.GET('/api/session'));
      isNew = session.is_new === true;
      return session.user;
    },
    staleTime: Infinity,
  });
}

/** Whether whoever is signed in may do something, as their role in the practice has it. The server decides; this only leaves out what it would refuse. */
export function useMay(): (what: Schemas['Permission']) => boolean {
  const may = useQuery<User | null>({ queryKey: queryKeys.session, enabled: false }).data?.may ?? [];
  return (what) => may.includes(what);
}

/** Whether it is known that nobody is signed in, without asking. */
export const useIsSignedOut = (): boolean =>
  useQuery<User | null>({ queryKey: queryKeys.session, enabled: false }).data === null;

/** Signing in: by address and password, and with a code where the answer says that one is owed. */
export function useSignIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { email: string; password: string; stay: boolean } | { code: string }) =>
      send(() => ('code' in body ? api.POST('/api/session/code', { body }) : api.POST('/api/session', { body }))),
    onSuccess: async (answer) => {
      if (answer.owes_code === true) return;
      forgetAnswers();
      // What another left on this phone is not shown to whoever signs in now.
      await keepPhoneOnlyOf(answer.user?.id);
      const before = queries.getQueryData<User | null>(queryKeys.session);
      if (before != null && before.id !== answer.user?.id) {
        // Somebody else: nothing of the page that was open stays, in any tab.
        tellTabs('other-person');
        window.location.assign(firstPage());
        await new Promise(() => undefined);
      }
      queries.setQueryData(queryKeys.session, answer.user);
      await queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== queryKeys.session[0] });
    },
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationKey: SIGN_OUT,
    mutationFn: () => send(() => api.DELETE('/api/session')),
    onSuccess: () => {
      endSession(queries);
    },
  });
}

/** Whether signing out is on its way: from the press on nothing of anybody is shown. */
export const useIsSigningOut = (): boolean => useIsMutating({ mutationKey: SIGN_OUT }) > 0;
