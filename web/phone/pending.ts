import type { Waiting } from './outbox';
import type { TodayData } from './plan';
import type { Due } from './usePhone';

/** What waits of one case: an athlete may have more. */
const ofCase = (plan: TodayData, waiting: readonly Waiting[]): Waiting[] => waiting.filter((one) => one.case === plan.case);

/** Planned sessions that were done, here or on another phone, sent or not. */
const doneIds = (plan: TodayData, waiting: readonly Waiting[]): Set<string> => new Set([
  ...plan.sessions.filter((one) => one.done).map((one) => one.planned),
  ...waiting.flatMap((one) => (one.planned === undefined || one.planned === null ? [] : [one.planned])),
]);

/** Sessions of a day that are still to be done. */
export const dueOn = (plan: TodayData, day: string, waiting: readonly Waiting[]): Due[] => {
  const done = doneIds(plan, waiting);
  return plan.sessions.filter((one) => one.on === day && !done.has(one.planned));
};

export const isDone = (plan: TodayData, planned: string, waiting: readonly Waiting[]): boolean => doneIds(plan, waiting).has(planned);

/** Whether the morning of a day was answered, sent or not. */
export const isAnswered = (plan: TodayData, day: string, waiting: readonly Waiting[]): boolean =>
  plan.morning.answered.some((one) => one.on === day)
  || ofCase(plan, waiting).some((one) => one.what === 'morning' && 'at' in one.body && one.body.at.slice(0, 10) === day && one.body.provocation !== null);

/** Whether anything hurt: after a session without pain there is nothing to settle. */
const hurt = (entries: readonly { pain?: number | null }[]): boolean => entries.some((entry) => (entry.pain ?? 0) > 0);

/** Sessions without a time of settling, including those that wait to be sent. */
export const toSettle = (plan: TodayData, waiting: readonly Waiting[]): { session: string; ended_at: string }[] => {
  const own = ofCase(plan, waiting);
  const settled = new Set(own.filter((one) => one.what === 'settled').map((one) => one.id));
  const unsent = own.flatMap((one) => (one.what === 'session' && 'ended_at' in one.body && hurt(one.body.entries) ? [{ session: one.id, ended_at: one.body.ended_at }] : []));
  return [...plan.settling, ...unsent.filter((one) => !plan.settling.some((known) => known.session === one.session))].filter((one) => !settled.has(one.session));
};

/** Whether something was reported that means stop, though it is not sent yet. */
export const stopsHere = (plan: TodayData, waiting: readonly Waiting[]): boolean => ofCase(plan, waiting).some((one) => {
  const body = one.body;
  if (one.what === 'message') return 'kind' in body && 'words' in body && body.kind === 'flare' && (body.pain ?? 0) >= plan.limits.stop_at;
  if (one.what !== 'session' && one.what !== 'morning') return false;
  const signs = ('signs' in body ? body.signs ?? [] : []).filter((sign) => sign !== 'night_ache');
  const pains = 'entries' in body ? body.entries.flatMap((entry) => [entry.pain ?? 0, ...(entry.sets as { pain?: number }[] | undefined ?? []).map((set) => set.pain ?? 0)]) : 'provocation' in body ? [body.provocation ?? 0] : [];
  return signs.length > 0 || pains.some((pain) => pain >= plan.limits.stop_at);
});

/** Whether a session of that day was done already, sent or not: what is answered after it is no morning of its own. */
export const trainedOn = (plan: TodayData, day: string, waiting: readonly Waiting[]): boolean =>
  plan.entered.sessions.some((one) => one.on === day)
  || ofCase(plan, waiting).some((one) => one.what === 'session' && 'started_at' in one.body && one.body.started_at.slice(0, 10) === day);
