import type { Schemas } from '../../api/client';
import { colour, faint } from '../../shell/theme';

/** The decisions a case may need, most urgent first. */
export const GROUPS: { key: Schemas['Group']; title: string; tone: string; means: string }[] = [
  {
    key: 'stop_review',
    title: 'Stopped: review before any loading',
    tone: colour('stop'),
    means: 'A stop sign, or pain at the stop level, was reported. Nothing is loaded until somebody has reviewed it.',
  },
  {
    key: 'over_twice',
    title: 'Too much, twice',
    tone: colour('over'),
    means: 'Two answers in a row were too much: step down.',
  },
  { key: 'over', title: 'Too much', tone: colour('over'), means: 'The last answer was too much: ease what hurt.' },
  {
    key: 'silent',
    title: 'Silent',
    tone: colour('unknown'),
    means: 'No morning answer for three days, or the last two planned sessions were not done.',
  },
  {
    key: 'ready_stage',
    title: 'Ready for the next stage',
    tone: colour('primary'),
    means: 'Every criterion of the gate is met.',
  },
  {
    key: 'ready_progress',
    title: 'Ready to progress',
    tone: colour('primary'),
    means: 'The dose has settled often enough: one thing may be raised.',
  },
  {
    key: 'stalled',
    title: 'Stalled',
    tone: colour('watch'),
    means: 'A review is due, or weeks went by without a change for the better.',
  },
  { key: 'on_course', title: 'On course', tone: faint, means: 'Nothing to decide now.' },
];
