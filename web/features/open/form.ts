import { createContext, useContext } from 'react';

import type { Schemas } from '../../api/client';
import { numberOf } from '../../shell/numbers';
import { type Tried, trialOf } from './tried';

export const GOALS = {
  everyday: 'everyday life',
  hands: 'work with the hands',
  strength: 'strength',
  running: 'running',
  jumping: 'jumping',
  throwing: 'throwing',
  cutting: 'turning and cutting',
  power: 'power',
} as const;

export const DAYS = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' } as const;
export type Day = keyof typeof DAYS;
type Opening = Schemas['CaseOpening'];
export type Library = Schemas['Library'];

/** What is typed, as it is typed; kept as it is when the opening is left. */
export interface Form {
  purpose: Opening['purpose'] | '';
  season_from: string;
  season_until: string;
  athlete: string;
  name: string;
  act: string;
  body_mass_kg: string;
  born_on: string;
  email: string;
  structure: string;
  side: Opening['side'] | '';
  goal: Opening['goal'] | '';
  goal_on: string;
  began_on: string;
  load_change: string;
  aggravating: string;
  history: string;
  equipment: string[];
  session_minutes: string;
  available: Day[];
  training_days_per_week: string;
  events: string;
  signs: Record<string, string>;
  risks: Record<string, string>;
  no_signs: boolean;
  no_risks: boolean;
  growth_checked: boolean;
  found: string[];
  screened: boolean;
  rest: string;
  test: string;
  settle_min: string;
  stiffness_min: string;
  advice: string[];
  own_advice: string;
  advice_until: string;
  strength: [string, string];
  range: [string, string];
  count: [string, string];
  severity: string;
  lowest: string;
  highest: string;
  higher_is_better: boolean;
  smallest_change: string;
  score: string;
  programme: string;
  rule: string;
  stage: string;
  tried: Tried[];
  exercises: Record<string, string>;
}

export const BLANK: Form = {
  purpose: '',
  season_from: '',
  season_until: '',
  athlete: '',
  name: '',
  act: '',
  body_mass_kg: '',
  born_on: '',
  email: '',
  structure: '',
  side: '',
  goal: '',
  goal_on: '',
  began_on: '',
  load_change: '',
  aggravating: '',
  history: '',
  equipment: [],
  session_minutes: '',
  available: Object.keys(DAYS) as Day[],
  training_days_per_week: '',
  events: '',
  signs: {},
  risks: {},
  no_signs: false,
  no_risks: false,
  growth_checked: false,
  found: [],
  screened: false,
  rest: '',
  test: '',
  settle_min: '',
  stiffness_min: '',
  advice: [],
  own_advice: '',
  advice_until: '',
  strength: ['', ''],
  range: ['', ''],
  count: ['', ''],
  severity: '',
  lowest: '0',
  highest: '100',
  higher_is_better: true,
  smallest_change: '',
  score: '',
  programme: '',
  rule: '',
  stage: '',
  tried: [],
  exercises: {},
};

/** A number as people type it; what is none goes out as text, so that the server says so at the field. */
export const number = (text: string): number | null =>
  text.trim() === '' ? null : (numberOf(text) ?? (text as unknown as number));
/** One that must be there: the server says so where it is not. */
const needed = (typed: string): number => number(typed) ?? Number.NaN;
/** What has to be chosen: where it is not, the server says so at its field. */
const chosen = <T extends string>(value: T | ''): T => value as T;
export const text = (typed: string): string | null => (typed.trim() === '' ? null : typed.trim());
const both = ([affected, unaffected]: [string, string]) =>
  affected === '' && unaffected === '' ? null : { affected: needed(affected), unaffected: needed(unaffected) };

export const body = (form: Form, draft: string | null): Opening => ({
  athlete:
    form.athlete !== ''
      ? { id: form.athlete, body_mass_kg: number(form.body_mass_kg), born_on: text(form.born_on) }
      : {
          name: form.name,
          act: text(form.act),
          body_mass_kg: number(form.body_mass_kg),
          born_on: text(form.born_on),
          email: form.email,
        },
  purpose: chosen(form.purpose),
  season_from: text(form.season_from),
  season_until: text(form.season_until),
  structure: form.structure,
  side: chosen(form.side),
  goal: chosen(form.goal),
  goal_on: text(form.goal_on),
  began_on: text(form.began_on),
  load_change: text(form.load_change),
  aggravating: text(form.aggravating),
  history: text(form.history),
  equipment: form.equipment,
  session_minutes: number(form.session_minutes),
  available: form.available,
  events: form.events.split(/[\s,]+/).filter((day) => day !== ''),
  training_days_per_week: needed(form.training_days_per_week),
  rest: number(form.rest),
  test: number(form.test),
  settle_min: number(form.settle_min),
  stiffness_min: number(form.stiffness_min),
  signs: Object.entries(form.signs).map(([key, why]) => ({ key, why: text(why) })),
  risks: Object.entries(form.risks).map(([key, on]) => ({ key, taken_on: text(on) })),
  no_signs: form.no_signs,
  no_risks: form.no_risks,
  growth_checked: form.growth_checked,
  found: form.found,
  screened: form.screened,
  advice: [...form.advice, ...form.own_advice.split('\n')].map((advice) => advice.trim()).filter((item) => item !== ''),
  advice_until: text(form.advice_until),
  strength: both(form.strength),
  range: both(form.range),
  count: both(form.count),
  severity:
    form.severity.trim() === ''
      ? null
      : {
          name: form.severity.trim(),
          lowest: needed(form.lowest),
          highest: needed(form.highest),
          higher_is_better: form.higher_is_better,
          smallest_change: number(form.smallest_change),
          score: number(form.score),
        },
  programme: form.programme,
  rule: text(form.rule),
  stage: text(form.stage),
  trials: form.tried.map(trialOf),
  exercises: form.exercises,
  draft,
});

/** What a half-typed form can be asked about: who it is and the signature are not needed for a proposal, and a try counts once it is whole. */
export const forProposal = (form: Form): Opening => ({
  ...body(
    { ...form, tried: form.tried.filter((trial) => trial.amount.trim() !== '' && trial.pain.trim() !== '') },
    null,
  ),
  athlete: {
    id: form.athlete === '' ? 'new' : form.athlete,
    body_mass_kg: number(form.body_mass_kg),
    born_on: text(form.born_on),
  },
});

/** The steps in the order of the work, each with the fields whose faults belong to it. */
export const STEPS = [
  {
    title: 'History and cause',
    fields: [
      'athlete',
      'purpose',
      'season_from',
      'season_until',
      'structure',
      'side',
      'goal',
      'goal_on',
      'began_on',
      'history',
      'load_change',
      'aggravating',
      'equipment',
      'session_minutes',
      'available',
      'events',
      'training_days_per_week',
    ],
  },
  { title: 'Screening', fields: ['signs', 'risks', 'growth_checked'] },
  { title: 'Irritability', fields: ['rest', 'test', 'settle_min', 'stiffness_min'] },
  { title: 'Load relief', fields: ['advice', 'advice_until'] },
  { title: 'Baseline', fields: ['strength', 'range', 'count', 'severity', 'trials', 'found'] },
  { title: 'Proposal', fields: ['programme', 'rule', 'stage', 'exercises'] },
  { title: 'Sign', fields: ['screened', 'draft'] },
] as const;

/** What has to be there before the first step is left by its button; a step can be left open by its name. */
export function missingAtFirst(form: Form): Record<string, string> {
  const needed: [string, string, string][] = [
    ['athlete.name', form.name, 'Type the name.'],
    ['purpose', form.purpose, 'Choose whether something hurts.'],
    ['structure', form.structure, 'Choose the structure.'],
    ['side', form.side, 'Choose the side.'],
    ['goal', form.goal, 'Choose what the athlete must get back to.'],
    ['training_days_per_week', form.training_days_per_week, 'Type how many days; 0 where nothing is trained now.'],
  ];
  return Object.fromEntries(
    needed.filter(([, value]) => value.trim() === '').map(([field, , words]) => [field, words]),
  );
}

export const stepOf = (field: string): number => {
  const root = field.split('.')[0] ?? '';
  return STEPS.findIndex((step) => (step.fields as readonly string[]).includes(root)) + 1;
};

export interface Opened {
  form: Form;
  set: <K extends keyof Form>(field: K, value: Form[K]) => void;
  fault: (field: string) => string | undefined;
  library: Library;
  start: Schemas['StartProposal'] | undefined;
  stale: boolean;
  /** The id under which all that is typed is kept; null while it is not. */
  draft: string | null;
}

export const OpeningContext = createContext<Opened | null>(null);

export function useOpening(): Opened {
  const opening = useContext(OpeningContext);
  if (opening === null) throw new Error('outside of an opening');
  return opening;
}
