import * as z from 'zod/mini';

import type { Schemas } from '../api/client';
import { forget, keep, kept, type Kind, openStore } from './store';

/** Everything that the phone shows of one athlete. */
export type PhoneData = Schemas['Phone'];

/** One open case of it. */
export type TodayData = Schemas['Today'];

/** Raised whenever the page changes its shape: an older one is asked for again. */
const PHONE: Kind<PhoneData> = {
  version: 4,
  shape: z.custom<PhoneData>(
    (page) =>
      z
        .looseObject({
          person: z.string(),
          practice: z.looseObject({}),
          cases: z.array(
            z.looseObject({
              case: z.string(),
              person: z.string(),
              today: z.string(),
              sessions: z.array(z.unknown()),
              days: z.array(z.unknown()),
              figures: z.optional(z.looseObject({})),
            }),
          ),
          closed: z.array(z.unknown()),
        })
        .safeParse(page).success,
  ),
  // Before there were figures, times of day and steps of practice: the plan is shown without them until there is reception.
  migrate: (page, version) => {
    const before = z
      .looseObject({ cases: z.array(z.looseObject({ sessions: z.array(z.looseObject({})) })) })
      .safeParse(page).data;
    return version < 2 || before === undefined
      ? page
      : {
          ...before,
          cases: before.cases.map((careCase) => ({
            figures: {},
            ...careCase,
            sessions: careCase.sessions.map((session) => ({ at: null, practice: null, ...session })),
          })),
        };
  },
};

/** The page that this phone keeps, whoever is signed in. */
export const keptPhone = (): PhoneData | null => kept('plan', PHONE);

export const keepPhone = (page: PhoneData): Promise<boolean> => keep('plan', PHONE, page);

/** Takes the page of anybody else from this phone, when somebody signs in. */
export async function keepPhoneOnlyOf(person: string | undefined): Promise<void> {
  await openStore();
  if (keptPhone()?.person !== person) await forget('plan');
}

/** An open case by its id. */
export const caseOf = (page: PhoneData, id: string): TodayData | undefined =>
  page.cases.find((careCase) => careCase.case === id);

/** What a case is called where an athlete has more than one. */
export const caseName = (item: { structure: string; side: string }): string =>
  `${item.structure}, ${item.side === 'both' ? 'both sides' : item.side}`;

/**
 * Makes what the first version kept, without saying whose it was, into what is kept now: it is of whoever the page with its
 * case is for. Until that page is on the phone it is nobody's, and waits.
 */
export function withOwner(value: unknown, version: number): unknown {
  const before = z.looseObject({ case: z.string() }).safeParse(value);
  if (version !== 0 || !before.success) return undefined;
  const page = keptPhone();
  const known = page !== null && [...page.cases, ...page.closed].some((careCase) => careCase.case === before.data.case);
  return { ...before.data, person: known ? page.person : '' };
}
