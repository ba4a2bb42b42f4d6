// @vitest-environment happy-dom
import { describe, expect, test, vi } from 'vitest';

import { clockOf, minutesOf, remind } from '../../web/phone/push';
import { namesOnDisk } from './phoneStore';

const times = { morning_at: 480, session_at: null, messages: true };

describe('the times of a reminder', () => {
  test('are read as people type them, and shown as clocks do', () => {
    expect(['07:30', '7:30', ' 0:00 ', '23:59'].map(minutesOf)).toEqual([450, 450, 0, 1439]);
    expect(['24:00', '7:60', '730', '', 'noon', '-1:00'].map(minutesOf)).toEqual([null, null, null, null, null, null]);
    for (let at = 0; at < 1440; at += 7) expect(minutesOf(clockOf(at))).toBe(at);
  });
});

describe('a phone without permission', () => {
  test('asks the practice for nothing, and keeps nothing', async () => {
    const asked = vi.fn();
    vi.stubGlobal('fetch', asked);
    vi.stubGlobal('Notification', { requestPermission: () => Promise.resolve('denied'), permission: 'denied' });
    vi.stubGlobal('navigator', { serviceWorker: {} });
    expect(await remind(times)).toBe(false);
    expect(asked).not.toHaveBeenCalled();
    expect(await namesOnDisk()).toEqual([]);
  });
});
