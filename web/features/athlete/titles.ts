import type { Due } from '../../phone/usePhone';

/** "Hands, 2 of 3, from 13:00": which of several sessions of a day it is, and the time that the practice set for it. */
export function titleOf(session: Due): string {
  const part = session.part === null ? '' : `, ${session.part.number} of ${session.part.of}`;
  if (session.at !== null) return `${session.title}${part}, at ${session.at}`;
  return `${session.title}${part}${session.part?.from == null ? '' : `, from ${session.part.from}`}`;
}
