import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';

import { api, send } from '../../api/client';
import type { Form } from './form';

/** Milliseconds without typing after which what was typed is kept. */
const PAUSE = 600;

/**
 * Keeps what is typed with the server, sound or not, so that an opening can be left at any moment and
 * taken up again, on another machine too.
 */
export function useDraft(id: string | null, form: Form, step: number) {
  const [draft, setDraft] = useState(id);
  const queries = useQueryClient();
  const now = JSON.stringify([form, step]);
  const tried = useRef(now);
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
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['openings'], exact: true }),
  });
  const { mutate, isPending } = keep;
  useEffect(() => {
    if (now === tried.current || isPending) return undefined;
    const timer = setTimeout(() => {
      tried.current = now;
      mutate(now);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [now, mutate, isPending]);
  const again = useCallback(() => mutate(now), [mutate, now]);

  return { draft, state: keep.isError ? 'failed' as const : keep.isPending ? 'keeping' as const : draft === null ? 'fresh' as const : 'kept' as const, problem: keep.error, again };
}
