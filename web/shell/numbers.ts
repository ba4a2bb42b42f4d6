/** A number as people type it, with decimal point or comma; null where it is none. */
export function numberOf(text: string): number | null {
  const trimmed = text.trim();
  const value = Number(trimmed.replace(',', '.'));
  return trimmed !== '' && Number.isFinite(value) ? value : null;
}
