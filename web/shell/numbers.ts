/** A number as people type it, with decimal point or comma; null where it is none. */
export function numberOf(text: string): number | null {
  const trimmed = text.trim();
  const value = Number(trimmed.replace(',', '.'));
  return trimmed !== '' && Number.isFinite(value) ? value : null;
}

const grouped = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 });

/** "4,200" or "12.5", as it is read. */
export const amount = (value: number): string => grouped.format(value);
