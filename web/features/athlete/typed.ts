import type { Schemas } from '../../api/client';

/** A number as people type it, with point or comma; null where it is none. */
export function numberOf(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= 0 ? value : null;
}

/** Whether what was typed is far from the usual, so that it is asked about before it counts. */
export const isFar = (value: number, usual: Schemas['Usual'] | null): boolean => usual !== null && (value < usual.from || value > usual.to);
