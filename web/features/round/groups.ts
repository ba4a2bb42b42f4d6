import type { Schemas } from '../../api/client';
import { colour, faint } from '../../shell/theme';

/** The decisions a case may need, most urgent first. */
export const GROUPS: { key: Schemas['Group']; title: string; tone: string }[] = [
  { key: 'stop_review', title: 'Stopped: review before any loading', tone: colour('stop') },
  { key: 'over_twice', title: 'Too much, twice', tone: colour('over') },
  { key: 'over', title: 'Too much', tone: colour('over') },
  { key: 'silent', title: 'Silent', tone: colour('unknown') },
  { key: 'ready_stage', title: 'Ready for the next stage', tone: colour('primary') },
  { key: 'ready_progress', title: 'Ready to progress', tone: colour('primary') },
  { key: 'stalled', title: 'Stalled', tone: colour('watch') },
  { key: 'on_course', title: 'On course', tone: faint },
];
