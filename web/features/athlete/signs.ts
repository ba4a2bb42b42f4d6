import type { Schemas } from '../../api/client';

type Sign = Schemas['Sign'];

/** What means stop and be seen, in an athlete's words. */
export const STOP_SIGNS: [Sign, string][] = [
  ['sudden_pop', 'A sudden pop'],
  ['loss_of_function', 'I cannot use it as before'],
  ['swelling', 'Swelling'],
  ['fever', 'Warmth or fever'],
  ['night_pain', 'Pain at rest in the night'],
  ['numbness', 'Numbness or weakness'],
  ['giving_way', 'It gives way'],
  ['locking', 'It locks'],
  ['trauma', 'A fall or blow'],
];

/** Told as a sign, but it means too much load and not a stop. */
export const NIGHT_ACHE: [Sign, string] = ['night_ache', 'It ached in the night after loading'];

export const STOP_WORDS = 'Stop loading and contact your practitioner. If it is severe, go to emergency care.';
