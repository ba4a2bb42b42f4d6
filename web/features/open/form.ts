import { createContext, useContext } from 'react';

import type { Schemas } from '../../api/client';

export const GOALS = {
  everyday: 'everyday life', hands: 'work with the hands', strength: 'strength', running: 'running',
  jumping: 'jumping', throwing: 'throwing', cutting: 'turning and cutting', power: 'power',
} as const;

export const DAYS = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' } as const;
export type Day = keyof typeof DAYS;
type Opening = Schemas['CaseOpening'];
export type Library = Schemas['Library'];

/** What is typed, as it is typed; kept as it is when the opening is left. */
export interface Form {
  athlete: string; name: string; act: string; body_mass_kg: string; email: string;
  structure: string; side: Opening['side']; goal: Opening['goal']; goal_on: string; began_on: string; load_change: string; aggravating: string; history: string;
  equipment: string[]; session_minutes: string; available: Day[]; training_days_per_week: string; events: string;
  signs: Record<string, string>; risks: Record<string, string>; screened: boolean;
  rest: string; test: string; settle_min: string; stiffness_min: string;
  advice: string[]; own_advice: string; advice_until: string;
  strength: [string, string]; range: [string, string]; count: [string, string];
  severity: string; lowest: string; highest: string; higher_is_better: boolean; smallest_change: string; score: string;
  programme: string; rule: string; stage: string; exercises: Record<string, string>;
}

export const BLANK: Form = {
  athlete: '', name: '', act: '', body_mass_kg: '', email: '',
  structure: 'patellar_tendon', side: 'left', goal: 'jumping', goal_on: '', began_on: '', load_change: '', aggravating: '', history: '',
  equipment: [], session_minutes: '', available: Object.keys(DAYS) as Day[], training_days_per_week: '3', events: '',
  signs: {}, risks: {}, screened: false,
  rest: '', test: '', settle_min: '', stiffness_min: '',
  advice: [], own_advice: '', advice_until: '',
  strength: ['', ''], range: ['', ''], count: ['', ''],
  severity: '', lowest: '0', highest: '100', higher_is_better: true, smallest_change: '', score: '',
  programme: 'knee_four_stage', rule: '', stage: '', exercises: {},
};

/** A number as people type it; what is none goes out as text, so that the server says so at the field. */
const number = (text: string): number | null => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' ? null : Number.isFinite(value) ? value : (text as unknown as number);
};
/** One that must be there: the server says so where it is not. */
const needed = (typed: string): number => number(typed) ?? Number.NaN;
const text = (typed: string): string | null => (typed.trim() === '' ? null : typed.trim());
const both = ([affected, unaffected]: [string, string]) => (affected === '' && unaffected === '' ? null : { affected: needed(affected), unaffected: needed(unaffected) });

export const body = (form: Form, draft: string | null): Opening => ({
  athlete: form.athlete !== ''
    ? { id: form.athlete, body_mass_kg: number(form.body_mass_kg) }
    : { name: form.name, act: text(form.act), body_mass_kg: number(form.body_mass_kg), email: form.email },
  structure: form.structure, side: form.side, goal: form.goal, goal_on: text(form.goal_on), began_on: text(form.began_on),
  load_change: text(form.load_change), aggravating: text(form.aggravating), history: text(form.history),
  equipment: form.equipment, session_minutes: number(form.session_minutes), available: form.available,
  events: form.events.split(/[\s,]+/).filter((day) => day !== ''),
  training_days_per_week: needed(form.training_days_per_week),
  rest: number(form.rest), test: number(form.test), settle_min: number(form.settle_min), stiffness_min: number(form.stiffness_min),
  signs: Object.entries(form.signs).map(([key, why]) => ({ key, why: text(why) })),
  risks: Object.entries(form.risks).map(([key, on]) => ({ key, taken_on: text(on) })),
  screened: form.screened,
  advice: [...form.advice, ...form.own_advice.split('\n')].map((one) => one.trim()).filter((one) => one !== ''), advice_until: text(form.advice_until),
  strength: both(form.strength), range: both(form.range), count: both(form.count),
  severity: form.severity.trim() === '' ? null : {
    name: form.severity.trim(), lowest: needed(form.lowest), highest: needed(form.highest),
    higher_is_better: form.higher_is_better, smallest_change: number(form.smallest_change), score: number(form.score),
  },
  programme: form.programme, rule: text(form.rule), stage: text(form.stage), exercises: form.exercises, draft,
});

/** What a half-typed form can be asked about: who it is and the signature are not needed for a proposal. */
export const forProposal = (form: Form): Opening => ({
  ...body(form, null),
  athlete: { id: form.athlete === '' ? 'new' : form.athlete, body_mass_kg: number(form.body_mass_kg) },
});

/** The steps in the order of the work, each with the fields whose faults belong to it. */
export const STEPS = [
  { title: 'History and cause', fields: ['athlete', 'structure', 'side', 'goal', 'goal_on', 'began_on', 'history', 'load_change', 'aggravating', 'equipment', 'session_minutes', 'available', 'events', 'training_days_per_week'] },
  { title: 'Screening', fields: ['signs', 'risks'] },
  { title: 'Irritability', fields: ['rest', 'test', 'settle_min', 'stiffness_min'] },
  { title: 'Load relief', fields: ['advice', 'advice_until'] },
  { title: 'Baseline', fields: ['strength', 'range', 'count', 'severity'] },
  { title: 'Proposal', fields: ['programme', 'rule', 'stage', 'exercises'] },
  { title: 'Sign', fields: ['screened', 'draft'] },
] as const;

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
}

export const OpeningContext = createContext<Opened | null>(null);

export function useOpening(): Opened {
  const opening = useContext(OpeningContext);
  if (opening === null) throw new Error('outside of an opening');
  return opening;
}
