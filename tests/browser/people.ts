import { basename } from 'node:path';

import { AxeBuilder } from '@axe-core/playwright';
import { type Browser, type BrowserContext, expect, type Page, type Route, test } from '@playwright/test';

import type { PhoneData } from '../../web/phone/plan';

const PHONE = { width: 390, height: 844 };

/** Every file of tests has a demo practice of its own, so none finds what another did, whichever runs first. The pictures are of the one without a name before it. */
export const address = (mailbox: string): string => {
  const file = basename(test.info().file);
  return `${file.endsWith('.spec.ts') ? `${basename(file, '.spec.ts')}.` : ''}${mailbox}@ropewalk.example`;
};

async function signIn(page: Page, path: string, mailbox: string, password: string): Promise<void> {
  await page.goto(path);
  await page.getByLabel('E-mail address').fill(address(mailbox));
  await page.getByLabel(/[Pp]assword/).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeHidden();
  await page.getByRole('main').waitFor();
}

const demo = (): string => process.env.DEMO_PASSWORD ?? '';

/** Who is signed in already, by address: the next test of the same file goes on with it. */
const signedIn = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>();

/** A practitioner at the desk: signed in by the form, or with what an earlier test of the file was given. */
export async function practitioner(page: Page): Promise<void> {
  // Nothing moves that is not looked at: it would only take time. Who looks at movement asks for it.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const who = address('ola.vance');
  const kept = signedIn.get(who);
  if (kept !== undefined) {
    await page.context().addCookies(kept);
    await page.goto('/');
    const round = page.getByRole('heading', { name: 'Round' });
    const form = page.getByLabel('E-mail address');
    await expect(round.or(form)).toBeVisible();
    // Somebody signed out meanwhile.
    if (await round.isVisible()) return;
  }
  await signIn(page, '/', 'ola.vance', demo());
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
  signedIn.set(who, await page.context().cookies());
}

/** How many times faster than real the audio clock goes, so that a set of a minute takes a third of a second and is done all the same. */
const HURRY = 200;

/** Put in the page's place of the audio clock: it makes no sound and goes by the page's own time, faster. */
export const audioClock = (hurry: number) => {
  const nothing = () => undefined;
  const part = () => ({
    gain: {
      value: 1,
      setValueAtTime: nothing,
      linearRampToValueAtTime: nothing,
      exponentialRampToValueAtTime: nothing,
    },
    frequency: { value: 0 },
    onended: null,
    connect: nothing,
    disconnect: nothing,
    start: nothing,
    stop: nothing,
  });
  class Clock {
    state = 'running';
    destination = {};
    createGain = part;
    createOscillator = part;
    resume = () => Promise.resolve();
    get currentTime() {
      return (performance.now() / 1000) * hurry;
    }
  }
  Object.assign(window, { AudioContext: Clock });
};

/** The first pages come once on each phone. */
export const skipFirstPages = (page: Page) => page.getByRole('button', { name: /^Skip/ }).click();

/** An athlete on a phone of their own, whose pacer goes fast and whose figures stand still unless a test asks for movement. */
export async function athlete(
  browser: Browser,
  mailbox: string,
  password: string = demo(),
  hurry: number = HURRY,
): Promise<Page> {
  const context = await browser.newContext({
    viewport: PHONE,
    hasTouch: true,
    timezoneId: 'Europe/Lisbon',
    reducedMotion: 'reduce',
  });
  await context.addInitScript(audioClock, hurry);
  const page = await context.newPage();
  await signIn(page, '/athlete', mailbox, password);
  await skipFirstPages(page);
  return page;
}

/** No serious fault of accessibility on what is shown. */
export async function expectAccessible(page: Page): Promise<void> {
  // What waits for an answer is pale on purpose until it is there.
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  // What fades in has less contrast than it will have: looked at once it stands.
  await page.evaluate(() =>
    Promise.all(
      document
        .getAnimations()
        .filter((animation) => animation.effect?.getComputedTiming().endTime !== Infinity)
        .map((animation) => animation.finished.catch(() => null)),
    ),
  );
  // A frame that runs no scripts cannot be looked into from here; what it shows is looked at by itself.
  // That frame apart there is one document, so axe may work in it directly, and only faults are of interest: four times as fast.
  const found = await new AxeBuilder({ page })
    .exclude('iframe[sandbox]')
    .options({ resultTypes: ['violations'] })
    .setLegacyMode()
    .analyze();
  const serious = found.violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`)).toEqual(
    [],
  );
}

/** Opens what is still open today, if it is not the first thing; of several cases the one that is named. */
export async function openStep(phone: Page, title: RegExp, region: string, named = ''): Promise<void> {
  await expect(phone.getByRole('heading', { level: 1 }).first()).toBeVisible();
  const card = phone.getByRole('region', { name: region }).filter({ hasText: named });
  const step = phone.getByRole('region', { name: 'Then' }).getByRole('button', { name: title });
  await expect(card.or(step).first()).toBeVisible();
  // Which of several comes first depends on the time of day.
  if (!(await card.isVisible())) await step.first().click();
  await expect(card).toBeVisible();
}

export async function startSession(phone: Page): Promise<void> {
  await openStep(phone, /min ›?$|min/, "Today's session");
  await phone.getByRole('region', { name: "Today's session" }).getByRole('link', { name: 'Start' }).click();
}

/** One set or side on the screen, done to its end or at once where nothing paces it. */
export async function doSet(phone: Page): Promise<void> {
  await phone
    .getByRole('button', { name: /^(Start|Done: \d+)$/ })
    .first()
    .click();
  await expect(phone.getByRole('button', { name: 'Pause' })).toBeHidden();
}

/** Goes through all sets of the exercise on the screen and tells the pain of each that is asked for, and of the exercise. */
export async function through(phone: Page, pain: string): Promise<void> {
  const asked = phone.getByRole('radiogroup', { name: /^Pain in/ });
  for (let i = 0; i < 40; i++) {
    const next = phone.getByRole('button', { name: /^(Start|Go on now|Done: \d+)$/ });
    await expect(asked.or(next).first()).toBeVisible();
    if (await asked.isVisible()) {
      const name = await asked.getAttribute('aria-label');
      await asked.getByRole('radio', { name: pain, exact: true }).click();
      if (name?.startsWith('Pain in set') !== true) return;
      continue;
    }
    if (await phone.getByRole('button', { name: 'Go on now' }).isVisible())
      await phone.getByRole('button', { name: 'Go on now' }).click();
    else await doSet(phone);
  }
}

export async function throughAll(phone: Page, pain: string): Promise<void> {
  for (let i = 0; i < 8; i++) {
    await through(phone, pain);
    const finish = phone.getByRole('button', { name: 'Finish and send' });
    await expect(finish.or(phone.getByRole('button', { name: /^(Start|Done: \d+)$/ })).first()).toBeVisible();
    if (await finish.isVisible()) return;
  }
}

/** How sending stands, on top of every page of the phone. */
export const strip = (phone: Page) => phone.getByRole('status').first();

/** Headers of a request as if nothing were known yet, so that the whole answer comes. */
export const wholeAnswer = (route: Route) =>
  Object.fromEntries(Object.entries(route.request().headers()).filter(([name]) => name !== 'if-none-match'));

/**
 * Loads the phone's page again with a plan that differs from the practice's. What the phone holds is forgotten before, so that
 * nothing can be begun from the plan as it was.
 */
export async function withPlan(phone: Page, change: (plan: PhoneData) => void): Promise<void> {
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: wholeAnswer(route) });
    const plan = (await answer.json()) as PhoneData;
    change(plan);
    await route.fulfill({ response: answer, json: plan });
  });
  await forgetOnDisk(phone, 'plan');
  await phone.goto('/athlete');
}

/** What the phone has on its disk, by name. */
export const onDisk = (phone: Page): Promise<Record<string, { version: number; value: unknown }>> =>
  phone.evaluate(
    () =>
      new Promise((found, failed) => {
        const open = indexedDB.open('rung');
        open.onerror = () => failed(open.error ?? new Error('no database'));
        open.onsuccess = () => {
          const kept = open.result.transaction('kept').objectStore('kept');
          const names = kept.getAllKeys();
          const records = kept.getAll();
          records.onsuccess = () => {
            open.result.close();
            found(Object.fromEntries((names.result as string[]).map((name, i) => [name, records.result[i] as never])));
          };
        };
      }),
  );

const forgetOnDisk = (phone: Page, name: string): Promise<void> =>
  phone.evaluate(
    (gone) =>
      new Promise<void>((done, failed) => {
        const open = indexedDB.open('rung');
        open.onerror = () => failed(open.error ?? new Error('no database'));
        open.onsuccess = () => {
          const tx = open.result.transaction('kept', 'readwrite');
          tx.objectStore('kept').delete(gone);
          tx.oncomplete = () => {
            open.result.close();
            done();
          };
        };
      }),
    name,
  );
