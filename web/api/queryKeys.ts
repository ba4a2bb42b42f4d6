/**
 * The keys under which answers of the server are held. Answers whose keys begin alike go out of date together: after a
 * decision, everything under `case(id)` and under `rounds` is asked for again.
 */
export const queryKeys = {
  // Who is signed in, and their practice.
  session: ['session'],
  account: ['account'],
  practice: ['practice'],
  people: ['people'],
  covers: ['covers'],
  tokens: ['tokens'],
  retention: ['retention'],
  accessRecord: (asked: unknown) => ['access-record', asked],
  join: (token: string) => ['join', token],

  // What looks over many cases.
  rounds: ['round'],
  round: (narrowing: unknown) => ['round', 'lines', narrowing],
  roundFilters: ['round', 'filters'],
  caseload: (practitioner: string) => ['round', 'caseload', practitioner],
  practiceWeek: (practitioner: string, week: unknown) => ['round', 'week', practitioner, week],
  closedCases: (search: unknown) => ['closed-cases', search],
  otherCases: (search: string) => ['other-cases', search],
  referrals: ['referrals'],
  inboxes: ['messages'],
  inbox: (which: string, search: string) => ['messages', which, search],

  // One case.
  cases: ['case'],
  case: (id: string) => ['case', id],
  caseSession: (id: string, session: string | null) => ['case', id, 'session', session],
  opinions: (id: string, revision: number) => ['case', id, 'opinions', revision],
  stageMove: (id: string, stage: unknown, revision: number) => ['case', id, 'stage', stage, revision],
  decisionPreview: (id: string, revision: number, asked: unknown) => ['case', id, 'preview', revision, asked],
  intake: (id: string) => ['case', id, 'intake'],
  shares: (id: string) => ['case', id, 'shares'],
  rights: (id: string) => ['case', id, 'rights'],
  invitation: (id: string) => ['case', id, 'invitation'],
  messages: (id: string) => ['case', id, 'messages'],
  entries: (id: string) => ['case', id, 'entries'],
  sheets: (id: string) => ['case', id, 'sheets'],
  sheet: (id: string, sheet: unknown) => ['case', id, 'sheets', 'read', sheet],
  measures: (id: string) => ['case', id, 'measures'],
  measurePreview: (id: string, body: unknown) => ['case', id, 'measure-preview', body],
  curve: (id: string, curve: unknown) => ['case', id, 'curve', curve],
  papers: (id: string) => ['case', id, 'papers'],
  paper: (id: string, paper: string, version: number | null) => ['case', id, 'papers', paper, version],
  paperPreview: (id: string, paper: string, written: unknown, basedOn: unknown) => [
    'case',
    id,
    'papers',
    paper,
    'preview',
    written,
    basedOn,
  ],
  visit: (id: string) => ['case', id, 'visit'],
  visitDraft: (id: string) => ['visit-draft', id],
  countdown: (id: string, asked: unknown) => ['case', id, 'countdown', asked],
  weeks: (id: string, ahead: unknown) => ['case', id, 'weeks', ahead],
  movesPreview: (id: string, moves: unknown, ahead: unknown) => ['case', id, 'weeks', 'preview', moves, ahead],
  daysPreview: (id: string, marks: unknown, ahead: unknown) => ['case', id, 'weeks', 'days', marks, ahead],
  plans: ['plan'],
  plan: (id: string) => ['plan', id],
  planPreview: (id: string, asked: unknown) => ['preview', id, asked],

  // Opening a case.
  openings: ['openings'],
  opening: (id: string | null) => ['openings', id],
  start: (asked: unknown) => ['start', asked],
  athletes: (name: string) => ['athletes', name],
  chosenAthlete: (name: string) => ['athletes', name, 'chosen'],

  // The library and its figures.
  library: ['library'],
  librarySearch: (asked: string) => ['library-search', asked],
  libraryItem: (kind: string, key: string) => ['library', 'item', kind, key],
  comparison: (kind: string, a: string, b: string) => ['library', 'compare', kind, a, b],
  course: (key: string, structure: unknown) => ['library', 'course', key, structure],
  figures: (of: string) => ['figures', of],
  figure: (exercise: string, from: number | null, to: number | null) => ['figure', exercise, from, to],

  // The athlete's side.
  today: ['today'],
  otherDays: (planned: string, on: string) => ['other-days', planned, on],
  readers: ['readers'],
  pushes: (phone: string) => ['pushes', phone],

  file: (id: string) => ['file', id],
} as const;
