import { expect, test } from '@playwright/test';

import { COUNT_IN_S, levelAt, timelineOf } from '../../web/pacer/timeline';

import {
  athlete,
  audioClock,
  doSet,
  expectAccessible,
  onDisk,
  practitioner,
  startSession,
  strip,
  through,
  withPlan,
} from './people';

test('pain over the limit is answered, pain at the stop level ends the session and reaches the practitioner', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'calla.westerby');
  await startSession(phone);
  await through(phone, '8, severe');
  await expect(phone.getByText('Stop loading and contact your practitioner.').first()).toBeVisible();
  await expect(phone.getByRole('button', { name: 'Start', exact: true })).toBeHidden();
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Stop and send' }).click();
  const stop = phone.getByRole('region', { name: 'Stop' });
  await expect(stop).toContainText('No loading and no test until you have been seen.');
  await expect(stop.getByRole('link', { name: '+351 210 000 000' })).toHaveAttribute('href', 'tel:+351210000000');
  await expect(phone.getByRole('region', { name: 'This morning' })).toBeHidden();
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText(
    'No loading until you have been seen.',
  );
  await expectAccessible(phone);
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  await expect(
    page
      .getByRole('region', { name: 'Stopped: review before any loading' })
      .getByRole('article', { name: 'Calla Westerby' }),
  ).toContainText('pain 8 of 10');
});

test('over the limit the school speaks at once and something easier is offered; each side keeps its own count', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'ines.calloway');
  await withPlan(phone, (plan) => {
    for (const exercise of plan.cases
      .flatMap((careCase) => careCase.sessions)
      .flatMap((session) => session.exercises)) {
      Object.assign(exercise, {
        mode: 'isotonic',
        max_pain: 3,
        pain_by_set: true,
        sides: [
          { side: 'left', words: 'left, the sore one' },
          { side: 'right', words: 'right' },
        ],
        dose: { sets: 2, reps: 15, rest_s: 0, tempo: { lift_s: 2, top_s: 0, lower_s: 2, bottom_s: 0, starts: 'lift' } },
      });
    }
  });
  await startSession(phone);
  // Ended before anything was done: nothing is written down.
  await expect(phone.getByText('Set 1 of 2, left, the sore one').first()).toBeVisible();
  await phone.getByRole('button', { name: 'Begin with the right' }).click();
  await expect(phone.getByText('Set 1 of 2, right').first()).toBeVisible();
  await phone.getByRole('button', { name: 'Begin with the left' }).click();
  for (let i = 0; i < 12; i++) await phone.getByRole('button', { name: 'One less' }).click();
  await doSet(phone);
  await expect(phone.getByText('Set 1 of 2, right').first()).toBeVisible();
  await doSet(phone);
  const asked = phone.getByRole('radiogroup', { name: 'Pain in set 1' });
  await expect(asked).toContainText('4 to 7 too much');
  // By keys: the arrows go along the row, and nothing is chosen until it is taken.
  await asked.getByRole('radio').first().focus();
  for (let i = 0; i < 6; i++) await phone.keyboard.press('ArrowRight');
  await expectAccessible(phone);
  await phone.keyboard.press('Enter');
  const over = phone.getByRole('region', { name: 'Over your limit' });
  await expect(over).toContainText('6 is over your limit of 3 here');
  await expect(over.getByRole('heading')).toBeFocused();
  await expectAccessible(phone);
  await over.getByRole('button', { name: 'at the end' }).click();
  await over.getByRole('button', { name: 'Leave it for today' }).click();
  if (await phone.getByRole('button', { name: 'End the session here' }).isVisible()) {
    await phone.getByRole('button', { name: 'End the session here' }).click();
    await phone.getByRole('button', { name: 'no time' }).click();
  }
  await expect(phone.getByRole('region', { name: 'Done' })).toContainText(
    '1 of 2 sets: left 3, right 15 (hurts too much), pain 6',
  );
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Ines Calloway' }).click();
  const table = page.getByRole('region', { name: 'Sessions' }).getByRole('table');
  await expect(table).toContainText('left 3, right 15');
  await expect(table).toContainText('6 of 10');
});

test('a session goes on in one tab at a time, and the older never writes over the newer', async ({ browser }) => {
  const phone = await athlete(browser, 'dario.pell');
  await startSession(phone);
  await doSet(phone);
  const sets = async () => {
    const run = (await onDisk(phone)).run?.value as { progress: { sets: unknown[]; turn: object }[] };
    return JSON.stringify(run.progress.map((exercise) => [exercise.sets.length, Object.keys(exercise.turn).length]));
  };
  const before = await sets();
  const other = await phone.context().newPage();
  await other.goto('/athlete/session');
  await expect(other.getByText('This session goes on in another tab')).toBeVisible();
  await other.getByRole('button', { name: 'Go on here instead' }).click();
  await expect(phone.getByText('This session goes on in another tab')).toBeVisible();
  const next = other.getByRole('button', { name: /^(Start|Go on now|Done: \d+)$/ });
  await next.first().click();
  await other.getByRole('link', { name: 'Leave', exact: true }).click();
  expect(await sets()).toBe(before);
  // The other tab is closed: this one may go on, from what the other left.
  await other.close();
  await expect(phone.getByText('This session goes on in another tab')).toBeHidden();
});

test('what is far from the usual is asked about before it counts', async ({ browser }) => {
  const phone = await athlete(browser, 'greta.osei-vane');
  await startSession(phone);
  await phone.getByRole('button', { name: 'Another load' }).click();
  const field = phone.getByLabel('Load used, kg');
  await field.fill('4000');
  await expect(phone.getByText('At most 1000 kg')).toBeVisible();
  await expect(phone.getByRole('button', { name: 'Use it' })).toBeDisabled();
  await field.fill('400');
  await phone.getByRole('button', { name: 'Use it' }).click();
  await expect(phone.getByText(/^400 kg\? You usually use \d/)).toBeVisible();
  await phone.getByRole('button', { name: 'Change it' }).click();
  await field.fill('41');
  await phone.getByRole('button', { name: 'Use it' }).click();
  await expect(phone.getByText(/· 41 kg/).first()).toBeVisible();
});

test('where the school tests again, the phone says what makes the test worse', async ({ browser, page }) => {
  const phone = await athlete(browser, 'edda.moorgate');
  await withPlan(phone, (plan) => {
    for (const careCase of plan.cases) careCase.retest = true;
  });
  await startSession(phone);
  await phone.getByRole('radiogroup', { name: 'Test before' }).getByRole('radio', { name: '2', exact: true }).click();
  // Asked in the rest between sets too: where it gets worse, no more sets are offered as the better choice.
  await doSet(phone);
  const rest = phone.getByRole('region', { name: 'The test in this rest' });
  if (await phone.getByText(/^Next: Set 1 of/).isVisible()) {
    // The other side first: nothing is tested between the two.
    await expect(rest).toBeHidden();
    await phone.getByRole('button', { name: 'Go on now' }).click();
    await doSet(phone);
  }
  if (await phone.getByRole('radiogroup', { name: /^Pain in set/ }).isVisible())
    await phone.getByRole('radio', { name: '1', exact: true }).click();
  await rest.getByRole('radio', { name: '2', exact: true }).click();
  await expect(rest.getByText(/It made the test worse/)).toBeHidden();
  await rest.getByRole('radio', { name: '3, mild', exact: false }).click();
  await expect(rest.getByText('It made the test worse, from 2 to 3.')).toBeVisible();
  await rest.getByRole('button', { name: 'No more sets of it' }).click();
  await phone
    .getByRole('radiogroup', { name: /^Pain in/ })
    .getByRole('radio', { name: '1', exact: true })
    .click();
  await phone.getByRole('radiogroup', { name: 'Test after' }).getByRole('radio', { name: '4', exact: true }).click();
  await expect(phone.getByText(/From 2 to 4. Better leave/)).toBeVisible();
  await phone.getByRole('button', { name: 'Go on' }).click();
  const end = phone.getByRole('button', { name: 'End the session here' });
  if (await end.isVisible()) {
    await end.click();
    await phone.getByRole('button', { name: 'no time' }).click();
  }
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('table')).toContainText('(test 2 → 4)');
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('table')).toContainText(
    'sets: the test got worse)',
  );
});

test('the pacer: mark and sound stay on the audio clock over five minutes, late timers and all', async ({
  browser,
}) => {
  const phone = await athlete(browser, 'juno.tamsin');
  await phone.emulateMedia({ reducedMotion: 'no-preference' });
  // Sound and time are measured, not waited for: an audio clock that follows the page's own time, run by hand.
  await phone.addInitScript(audioClock, 1);
  await phone.addInitScript(() => {
    Object.assign(window, { beats: [], marks: [] });
    (window as unknown as { rungWatch: (sound: unknown) => void }).rungWatch = (sound) => {
      (window as unknown as { beats: unknown[] }).beats.push(sound);
    };
  });
  await phone.clock.install();
  await withPlan(phone, (plan) => {
    for (const session of plan.cases.flatMap((careCase) => careCase.sessions)) {
      for (const exercise of session.exercises) {
        Object.assign(exercise, {
          figure: null,
          mode: 'isotonic',
          sides: [],
          dose: {
            sets: 1,
            reps: 42,
            rest_s: 0,
            beats_per_min: 50,
            tempo: { lift_s: 3, top_s: 0.7, lower_s: 2.9, bottom_s: 0.6, starts: 'lift' },
          },
        });
      }
    }
  });
  await startSession(phone);
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.evaluate(() => {
    const all = window as unknown as { beats: { due: number }[]; marks: number[] };
    // Each time the mark is drawn again: where it stands, against the clock that sounds are asked for by.
    const set = Object.getOwnPropertyDescriptor(Element.prototype, 'setAttribute')?.value as (
      this: Element,
      name: string,
      value: string,
    ) => void;
    Object.defineProperty(Element.prototype, 'setAttribute', {
      value(this: Element, name: string, value: string) {
        const first = all.beats[0];
        if (name === 'data-position' && first !== undefined)
          all.marks.push(Math.max(0, performance.now() / 1000 - first.due) - Number(value));
        set.call(this, name, value);
      },
    });
  });
  // From here on time goes on by this test alone, however slow the machine is.
  await phone.clock.pauseAt(await phone.evaluate(() => Date.now() + 500));
  for (let i = 0; i < 30; i++) {
    await phone.clock.runFor(9_800);
    // The page is held up for a fifth of a second.
    await phone.clock.fastForward(200);
  }
  const plan = await phone.evaluate(() => {
    const all = window as unknown as {
      beats: { tone: string; due: number; asked: number; now: number }[];
      marks: number[];
    };
    return { beats: all.beats, marks: all.marks };
  });
  expect(plan.beats.filter((beat) => beat.tone === 'lift').length).toBeGreaterThan(40);
  const length = Math.max(...plan.beats.map((beat) => beat.due)) - Math.min(...plan.beats.map((beat) => beat.due));
  expect(length).toBeGreaterThan(290);
  expect(Math.max(...plan.beats.map((beat) => Math.abs(beat.asked - beat.due)))).toBeLessThan(0.001);
  expect(Math.max(...plan.beats.map((beat) => beat.now - beat.due))).toBeLessThanOrEqual(0);
  // Repetitions come every 7.2 s to the millisecond, beats every 1.2 s.
  const every = (tone: string) => {
    const due = plan.beats.filter((beat) => beat.tone === tone).map((beat) => beat.due);
    return due.slice(1).map((at, i) => at - (due[i] ?? 0));
  };
  for (const gap of every('lift')) expect(Math.abs(gap - 7.2)).toBeLessThan(0.001);
  for (const gap of every('beat')) expect(Math.abs(gap - 1.2)).toBeLessThan(0.001);
  expect(plan.marks.length).toBeGreaterThan(5_000);
  expect(Math.max(...plan.marks.map(Math.abs))).toBeLessThan(0.03);

  // The end comes by itself, with all repetitions counted.
  await phone.clock.runFor(8_000);
  await expect(phone.getByRole('radiogroup', { name: /^Pain in/ })).toBeVisible();
});

test('the figure moves with the mark, on the same clock, through the range that is prescribed', async ({ browser }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  await phone.emulateMedia({ reducedMotion: 'no-preference' });
  await phone.addInitScript(audioClock, 1);
  await phone.addInitScript(() => {
    Object.assign(window, { first: null, drawn: [] });
    (window as unknown as { rungWatch: (sound: { due: number }) => void }).rungWatch = (sound) => {
      (window as unknown as { first: number | null }).first ??= sound.due;
    };
  });
  await phone.clock.install();
  const dose = {
    sets: 1,
    reps: 3,
    rest_s: 0,
    tempo: { lift_s: 3, top_s: 0.5, lower_s: 4, bottom_s: 1, starts: 'lower' as const },
    range: { from_deg: 10, to_deg: 80 },
  };
  await withPlan(phone, (plan) => {
    // However far the demo has come with its press: that figure, drawn to its range.
    const figure = Object.keys(plan.cases[0]?.figures ?? {}).find((key) => /^leg_press_one \d/.test(key)) ?? '';
    dose.range.to_deg = Number(/–(\d+)$/.exec(figure)?.[1]);
    for (const exercise of plan.cases
      .flatMap((careCase) => careCase.sessions)
      .flatMap((session) => session.exercises)) {
      Object.assign(exercise, { mode: 'isotonic', exercise: 'leg_press_one', figure, dose });
    }
  });
  await startSession(phone);
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.evaluate(() => {
    const all = window as unknown as { first: number | null; drawn: [number, number, number][] };
    const set = Object.getOwnPropertyDescriptor(Element.prototype, 'setAttribute')?.value as (
      this: Element,
      name: string,
      value: string,
    ) => void;
    Object.defineProperty(Element.prototype, 'setAttribute', {
      value(this: Element, name: string, value: string) {
        set.call(this, name, value);
        if (name === 'data-angle' && all.first !== null)
          all.drawn.push([
            performance.now() / 1000 - all.first,
            Number(this.getAttribute('data-level')),
            Number(value),
          ]);
      },
    });
  });
  await phone.clock.runFor(24_000);
  const drawn = (await phone.evaluate(() => (window as unknown as { drawn: [number, number, number][] }).drawn)).filter(
    ([at]) => at > 0.1,
  );
  expect(drawn.length).toBeGreaterThan(500);
  const line = timelineOf(dose, 'isotonic');
  if (line === null) throw new Error('not paced');
  for (const [at, level] of drawn.filter(([position]) => position > COUNT_IN_S && position < line.length - 0.05)) {
    const around = [-0.03, -0.015, 0, 0.015, 0.03].map((late) => levelAt(line, Math.max(COUNT_IN_S, at + late)));
    expect(level, `at ${at} s`).toBeGreaterThanOrEqual(Math.min(...around) - 0.001);
    expect(level, `at ${at} s`).toBeLessThanOrEqual(Math.max(...around) + 0.001);
  }
  const angles = drawn.map(([, , angle]) => angle);
  expect(Math.abs(Math.min(...angles) - 10)).toBeLessThan(1.5);
  expect(dose.range.to_deg).toBeGreaterThan(20);
  expect(Math.abs(Math.max(...angles) - dose.range.to_deg)).toBeLessThan(1.5);
  await expectAccessible(phone);
});

test('what was done of a set stays, where it is broken off because it hurts', async ({ browser }) => {
  const phone = await athlete(browser, 'basil.thorne', process.env.DEMO_PASSWORD ?? '', 8);
  await withPlan(phone, (plan) => {
    for (const exercise of plan.cases
      .flatMap((careCase) => careCase.sessions)
      .flatMap((session) => session.exercises)) {
      Object.assign(exercise, {
        mode: 'isotonic',
        max_pain: 3,
        pain_by_set: false,
        sides: [],
        says: {},
        dose: { sets: 2, reps: 30, rest_s: 0, tempo: { lift_s: 2, top_s: 0, lower_s: 2, bottom_s: 0, starts: 'lift' } },
      });
    }
  });
  await startSession(phone);
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(phone.getByText('4 of 30')).toBeVisible();
  await phone.getByRole('button', { name: 'It hurts' }).click();
  await phone.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '6' }).click();
  await phone
    .getByRole('region', { name: 'Over your limit' })
    .getByRole('button', { name: 'Leave it for today' })
    .click();
  // A session of several exercises goes on to the next one; here it ends.
  const end = phone.getByRole('button', { name: 'End the session here' });
  await expect(end.or(phone.getByRole('heading', { name: 'Done' }))).toBeVisible();
  if (await end.isVisible()) {
    await end.click();
    await phone.getByRole('button', { name: 'no time' }).click();
  }
  // The focus is where the eye is.
  await expect(phone.getByRole('heading', { name: 'Done' })).toBeFocused();
  await expect(phone.getByRole('region', { name: 'Done' })).toContainText(
    /1 of 2 sets: ([3-9]|[12]\d) \(hurts too much\), pain 6/,
  );
});
