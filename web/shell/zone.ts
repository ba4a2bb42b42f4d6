/** "+01:00" of a zone at a moment. */
function offsetAt(moment: Date, zone: string): string {
  const name =
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeZoneName: 'longOffset' })
      .formatToParts(moment)
      .find((part) => part.type === 'timeZoneName')?.value ?? 'GMT';
  return name === 'GMT' ? '+00:00' : name.slice(3);
}

const minutesOf = (offset: string): number =>
  (offset.startsWith('-') ? -1 : 1) * (Number(offset.slice(1, 3)) * 60 + Number(offset.slice(4, 6)));

/** The moment at which a clock in a zone shows a date and time, written with the zone's offset. */
export function momentIn(zone: string, day: string, time: string): string {
  const asUtc = new Date(`${day}T${time}:00Z`).getTime();
  // The offset at the time itself: guessed first, then asked again where the guess leads.
  const guess = minutesOf(offsetAt(new Date(asUtc), zone));
  const offset = offsetAt(new Date(asUtc - guess * 60_000), zone);
  return `${day}T${time}:00${offset}`;
}
