import { beforeEach, describe, expect, test } from 'vitest';
import * as z from 'zod/mini';

import { keep, kept, type Kind } from '../../web/phone/store';

interface Note {
  words: string;
  times: number;
}

const OLD: Kind<{ text: string }> = { version: 1, shape: z.object({ text: z.string() }) };
const NOTE: Kind<Note> = {
  version: 2,
  shape: z.object({ words: z.string(), times: z.number() }),
  migrate: (value, version) => (version === 1 ? { words: (value as { text: string }).text, times: 1 } : undefined),
};

beforeEach(() => {
  localStorage.clear();
});

describe('what the phone keeps', () => {
  test('comes back as it was put in', () => {
    expect(kept('note', NOTE)).toBeNull();
    keep('note', NOTE, { words: 'knee', times: 3 });
    expect(kept('note', NOTE)).toEqual({ words: 'knee', times: 3 });
  });

  test('of an older shape is made into the new one', () => {
    keep('note', OLD, { text: 'knee' });
    expect(kept('note', NOTE)).toEqual({ words: 'knee', times: 1 });
  });

  test.each([
    ['no JSON', '{{'],
    ['another shape', '{"version":2,"value":{"words":4}}'],
    ['a version to come', '{"version":3,"value":{"words":"x","times":1}}'],
    ['a time before versions', '{"words":"x"}'],
    ['nothing', 'null'],
    ['a list', '[]'],
  ])('is nothing where it is %s', (_, text) => {
    localStorage.setItem('rung:note', text);
    expect(kept('note', NOTE)).toBeNull();
  });
});
