import type { Waiting } from './outbox';
import type { TodayData } from './plan';
import type { Due } from './usePhone';

/** What waits of one case: an athlete may have more. */
const ofCase = (plan: TodayData, waiting: readonly Waiting[]): Waiting[] =>
  waiting.filter((item) => item.case === plan.case);

/** Planned sessions that were done, here or on another phone, sent or not. */
const doneIds = (plan: TodayData, waiting: readonly Waiting[]): Set<string> =>
  new Set([
    ...plan.sessions.filter((session) => session.done).map((session) => session.planned),
    ...waiting.flatMap((item) => (item.planned === undefined || item.planned === null ? [] : [item.planned])),
  ]);

/** Sessions of a day that are still to be done. */
export const dueOn = (plan: TodayData, day: string, waiting: readonly Waiting[]): Due[] => {
  const done = doneIds(plan, waiting);
  return plan.sessions.filter((session) => session.on === day && !done.has(session.planned));
};

export const isDone = (plan: TodayData, planned: string, waiting: readonly Waiting[]): boolean =>
  doneIds(plan, waiting).has(planned);

/** Whether the morning of a day was answered, sent or not. */
export const isAnswered = (plan: TodayData, day: string, waiting: readonly Waiting[]): boolean =>
  plan.morning.answered.some((answer) => answer.on === day) ||
  ofCase(plan, waiting).some(
    (item) =>
      item.what === 'morning' &&
      'at' in item.body &&
      item.body.at.slice(0, 10) === day &&
      item.body.provocation !== null,
  );

/** Whether anything hurt: after a session without pain there is nothing to settle. */
const hurt = (entries: readonly { pain?: number | null }[]): boolean => entries.some((entry) => (entry.pain ?? 0) > 0);

/** Sessions without a time of settling, including those that wait to be sent. */
export const toSettle = (plan: TodayData, waiting: readonly Waiting[]): { session: string; ended_at: string }[] => {
  const own = ofCase(plan, waiting);
  const settled = new Set(own.filter((item) => item.what === 'settled').map((item) => item.id));
  const unsent = own.flatMap((item) =>
    item.what === 'session' && 'ended_at' in item.body && hurt(item.body.entries)
      ? [{ session: item.id, ended_at: item.body.ended_at }]
      : [],
  );
  return [
    ...plan.settling,
    ...unsent.filter((item) => !plan.settling.some((known) => known.session === item.session)),
  ].filter((session) => !settled.has(session.session));
};

/** Whether something was reported that means stop, though it is not sent yet. */
export const stopsHere = (plan: TodayData, waiting: readonly Waiting[]): boolean =>
  ofCase(plan, waiting).some((item) => {
    const body = item.body;
    if (item.what === 'message')
      return 'kind' in body && 'words' in body && body.kind === 'flare' && (body.pain ?? 0) >= plan.limits.stop_at;
    if (item.what !== 'session' && item.what !== 'morning') return false;
    const signs = ('signs' in body ? (body.signs ?? []) : []).filter((sign) => sign !== 'night_ache');
    const pains =
      'entries' in body
        ? body.entries.flatMap((entry) => [
            entry.pain ?? 0,
            ...((entry.sets as { pain?: number }[] | undefined) ?? []).map((set) => set.pain ?? 0),
          ])
        : 'provocation' in body
          ? [body.provocation ?? 0]
          : [];
    return signs.length > 0 || pains.some((pain) => pain >= plan.limits.stop_at);
  });

/** Whether a session of that day was done already, sent or not: what is answered after it is no morning of its own. */
export const trainedOn = (plan: TodayData, day: string, waiting: readonly Waiting[]): boolean =>
  plan.entered.sessions.some((session) => session.on === day) ||
  ofCase(plan, waiting).some(
    (item) => item.what === 'session' && 'started_at' in item.body && item.body.started_at.slice(0, 10) === day,
  );
