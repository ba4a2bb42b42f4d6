import type { Schemas } from '../../api/client';

/** What is proposed, in a word or two. */
export const ACTIONS: Record<Schemas['Action'], string> = {
  stop: 'stopped',
  gather: 'gather answers',
  repeat: 'repeat',
  advance: 'next stage',
  finish: 'finish',
  step_down: 'step back',
  ease: 'ease',
  progress: 'progress',
  add_load: 'add load',
};
