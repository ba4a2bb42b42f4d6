import type { Schemas } from '../../api/client';

/** Whether what was typed is far from the usual, so that it is asked about before it counts. */
export const isFar = (value: number, usual: Schemas['Usual'] | null): boolean =>
  usual !== null && (value < usual.from || value > usual.to);
