import type { Due } from '../../phone/usePhone';

/** "Hands, 2 of 3, from 13:00": which of several sessions of a day it is. */
export const titleOf = (session: Due): string =>
  `${session.title}${session.part === null ? '' : `, ${session.part.number} of ${session.part.of}${session.part.from === null ? '' : `, from ${session.part.from}`}`}`;
