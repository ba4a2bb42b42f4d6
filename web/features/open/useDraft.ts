import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import type { Form } from './form';

/** Milliseconds without typing after which what was typed is kept. */
const PAUSE = 600;

/**
 * Keeps what is typed with the server, sound or not, so that an opening can be left at any moment and
 * taken up again, on another machine too.
 */
export function useDraft(id: string | null, form: Form, step: number) {
  const now = JSON.stringify([form, step]);
  const [draft, setDraft] = useState(id);
  const [kept, setKept] = useState(now);
  const tried = useRef(now);
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: async (what: string) => {
      const [typed, at] = JSON.parse(what) as [Record<string, unknown>, number];
      const body = { step: at, form: typed };
      if (draft === null) {
        const made = await send(() => api.POST('/api/openings', { body }));
        setDraft(made.id);
      } else {
        await send(() => api.PUT('/api/openings/{opening}', { params: { path: { opening: draft } }, body }));
      }
      setKept(what);
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.openings, exact: true }),
  });
  const { mutate, isPending } = keep;
  const again = useCallback(() => {
    tried.current = now;
    mutate(now);
  }, [mutate, now]);
  useEffect(() => {
    if (now === tried.current || isPending) return undefined;
    const timer = setTimeout(again, PAUSE);
    return () => clearTimeout(timer);
  }, [now, again, isPending]);

  // Whoever leaves before the pause is over has it kept all the same.
  const leaving = useRef({ now, again });
  useEffect(() => {
    leaving.current = { now, again };
  }, [now, again]);
  useEffect(
    () => () => {
      if (leaving.current.now !== tried.current) leaving.current.again();
    },
    [],
  );

  const state = keep.isError
    ? ('failed' as const)
    : now !== kept
      ? ('keeping' as const)
      : draft === null
        ? ('fresh' as const)
        : ('kept' as const);
  return { draft, state, problem: keep.error, again };
}
