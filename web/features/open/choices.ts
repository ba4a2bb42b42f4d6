/** What can be chosen when a case is opened, in words. */
export const GOALS = {
  everyday: 'everyday life', hands: 'work with the hands', strength: 'strength', running: 'running',
  jumping: 'jumping', throwing: 'throwing', cutting: 'turning and cutting', power: 'power',
} as const;

export const DAYS = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' } as const;

/** Signs that call for a referral before any programme. */
export const SIGNS = [
  'giving way, locking or snapping on twist',
  'trauma with bruising or lost movement',
  'night pain, fever or weight loss',
  'radiating pain, numbness or weakness',
  'stiffness over 30 min in several joints',
  'a growing joint in an adolescent',
] as const;

/** What weakens tendons; each makes the proposed start one rung easier. */
export const RISKS = [
  'fluoroquinolone in the six months before', 'statin in the ten months before', 'steroid injection', 'diabetes',
  'raised cholesterol', 'under-active thyroid', 'smoking', 'high body mass', 'menopause', 'family history',
] as const;
