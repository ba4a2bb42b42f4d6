import { readFileSync } from 'node:fs';

import { expect, type Page, type Route, test } from '@playwright/test';

import {
  address,
  wholeAnswer,
  athlete,
  doSet,
  expectAccessible,
  onDisk,
  openStep,
  practitioner,
  startSession,
  strip,
  throughAll,
} from './people';

/** The reception comes and goes until all is sent: each time what waits is tried again, without waiting for the next quarter of a minute. */
const allSent = (phone: Page) =>
  expect(async () => {
    await phone.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(strip(phone)).toHaveText(/All sent/, { timeout: 1_500 });
  }).toPass({ timeout: 60_000 });

/** The worker has kept the page, so that it opens without reception. */
const keptOnPhone = (phone: Page) =>
  phone.evaluate(async () => {
    await navigator.serviceWorker.ready;
    for (let i = 0; i < 100 && navigator.serviceWorker.controller === null; i++)
      await new Promise((go) => setTimeout(go, 100));
  });

test('an invitation on paper lets an athlete in, and out again', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Anouk Sorrel' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Invite the athlete …' }).click();
  await page.getByRole('button', { name: 'Make an invitation' }).click();
  await expect(page.getByRole('img', { name: 'Code to scan with a phone' })).toBeVisible();
  const link = (await page.getByText(/\/athlete\/join#/).innerText()).trim();

  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, timezoneId: 'Europe/Lisbon' });
  const phone = await context.newPage();
  await phone.goto(link);
  await phone.getByLabel('PIN or password').fill('123');
  await phone.getByRole('button', { name: 'Set it and go on' }).click();
  await expect(phone.getByText('A PIN needs at least 6 digits')).toBeVisible();
  await phone.getByLabel('PIN or password').fill('739155');
  await phone.getByRole('button', { name: 'Set it and go on' }).click();
  await expect(phone.getByText(address('anouk.sorrel'))).toBeVisible();
  await phone.getByRole('button', { name: 'To my plan' }).click();
  // Three short pages, once; found again under help.
  await expect(phone.getByRole('heading', { name: 'Every morning, one answer' })).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Next' }).click();
  await expect(phone.getByRole('region', { name: 'What is allowed, and what stops' })).toContainText(
    '+351 210 000 000',
  );
  await phone.getByRole('button', { name: 'Next' }).click();
  await phone.getByRole('button', { name: 'To my plan' }).click();
  await expect(phone.getByText('Anouk Sorrel')).toBeVisible();
  // The sign-in itself runs out; the phone stays signed in.
  await context.clearCookies({ name: 'rung_session' });
  await phone.reload();
  await expect(phone.getByText('Anouk Sorrel')).toBeVisible();

  await page.getByRole('button', { name: 'Withdraw access' }).click();
  await page.getByRole('button', { name: 'Withdraw it now' }).click();
  await expect(page.getByText('No phone of this athlete is signed in any more.')).toBeVisible();
  await phone.reload();
  // The plan that is still kept is not shown, and the sign-in is asked for once.
  await expect(phone.getByRole('button', { name: 'Sign in' })).toHaveCount(1);
  await expect(phone.getByRole('region', { name: 'The next days' })).toBeHidden();
  await expect(phone.getByRole('dialog')).toHaveCount(0);
});

test('a day without reception: morning, session and settling are kept, sent later, each once', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'hollis.brandt');
  await expect(phone.getByRole('region', { name: 'The next days' })).toBeVisible();
  await keptOnPhone(phone);
  await phone.context().setOffline(true);

  // The page opens without reception, with the plan.
  await phone.reload();
  await expect(strip(phone)).toHaveText(/No reception/);
  await openStep(phone, /morning/, 'This morning');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '1', exact: true }).click();
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/1 kept on this phone, no reception/);

  await startSession(phone);
  // The figure came with the plan.
  await expect(phone.locator('svg[data-figure]').first()).toBeVisible();
  const first = phone.getByRole('region').first();
  await first.getByRole('button', { name: 'Another load' }).click();
  await phone.getByLabel('Load used, kg').fill('37,5');
  await phone.getByRole('button', { name: 'Use it' }).click();
  await doSet(phone);
  // Closed in the middle: it goes on where it was.
  await phone.reload();
  await expect(phone.getByText(/37.5 kg/).first()).toBeVisible();
  await phone.goto('/athlete');
  await phone.getByRole('link', { name: 'Go on' }).click();
  await throughAll(phone, '2');
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(strip(phone)).toHaveText(/2 kept on this phone/);
  await openStep(phone, /Back to normal/, 'Back to normal');
  await phone.getByRole('button', { name: 'Yes, just now' }).click();
  await expect(strip(phone)).toHaveText(/3 kept on this phone/);
  await phone.reload();
  await expect(strip(phone)).toHaveText(/3 kept on this phone/);

  // The first answers get lost on their way back, so that everything is sent twice.
  let lost = 0;
  await phone.context().route('**/api/today/{sessions,check-ins}/**', async (route) => {
    if (lost >= 2) return route.continue();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await phone.context().setOffline(false);
  await allSent(phone);
  expect(lost).toBe(2);
  await expect
    .poll(() => onDisk(phone).then((kept) => Object.keys(kept).filter((name) => name.startsWith('wait'))))
    .toEqual([]);

  // The practitioner has it, once.
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Hollis Brandt' }).click();
  const session = page.getByRole('region', { name: 'Sessions' });
  await expect(session.getByText('waits for the morning')).toBeVisible();
  await expect(session.getByRole('table')).toContainText('37.5 kg');
  await expect(session.getByRole('table')).toContainText('2 of 10');
  await expect(session.locator('b').first()).toHaveText(
    await page.evaluate(() =>
      new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
        .format(new Date())
        .replace(',', ''),
    ),
  );
});

test('what was sent is not asked for again, not even for a moment', async ({ browser }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '2', exact: true }).click();
  // The answer is taken at once; the plan that tells of it takes its time. Neither reaches the practice.
  await phone.route('**/api/today/check-ins/*', (route) =>
    route.fulfill({ status: 201, json: { stored: true, new: true } }),
  );
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: wholeAnswer(route) });
    const plan = (await answer.json()) as { cases: { today: string; morning: { answered: object[] } }[] };
    for (const careCase of plan.cases)
      careCase.morning.answered.push({ on: careCase.today, provocation: 2, stiffness_min: null });
    await new Promise((go) => setTimeout(go, 1500));
    await route.fulfill({ response: answer, json: plan });
  });
  await phone.evaluate(() => {
    const seen = window as unknown as { again: number };
    seen.again = 0;
    const card = () => document.querySelector('[aria-label="This morning"]') !== null;
    let gone = false;
    new MutationObserver(() => {
      if (!card()) gone = true;
      else if (gone) seen.again += 1;
    }).observe(document.body, { subtree: true, childList: true });
  });
  const [plan] = await Promise.all([
    phone.waitForResponse((answer) => answer.url().endsWith('/api/today')),
    morning.getByRole('button', { name: 'Send' }).click(),
  ]);
  expect(plan.status()).toBe(200);
  await expect(strip(phone)).toHaveText(/All sent/);
  await expect(phone.getByRole('region', { name: "Today's session" })).toBeVisible();
  expect(await phone.evaluate(() => (window as unknown as { again: number }).again)).toBe(0);
  await expect
    .poll(() => onDisk(phone).then((kept) => Object.keys(kept).filter((name) => name.startsWith('wait'))))
    .toEqual([]);
});

test('a page that is left with the very tap has kept the answer', async ({ browser }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  // Nothing gets through, now and later: it never reaches the practice.
  await phone.route('**/api/today/check-ins/*', (route) => route.abort());
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '2', exact: true }).click();
  await Promise.all([
    phone.waitForEvent('load'),
    morning.getByRole('button', { name: 'Send' }).evaluate((button: HTMLElement) => {
      button.click();
      window.location.reload();
    }),
  ]);
  await expect(strip(phone)).toHaveText(/1 kept on this phone/);
  await expect(morning).toBeHidden();
});

test('whatever the server answers, or if it never does, the phone goes on from what it holds', async ({ browser }) => {
  const phone = await athlete(browser, 'piet.olander');
  await expect(phone.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await keptOnPhone(phone);
  const troubles: Record<string, (route: Route) => Promise<void> | void> = {
    'the database is away': (route) =>
      route.fulfill({ status: 503, headers: { 'Retry-After': '5' }, json: { message: 'Rung is away for a moment.' } }),
    'a failure': (route) => route.fulfill({ status: 500, body: 'x' }),
    'a page of something in between': (route) =>
      route.fulfill({ status: 502, contentType: 'text/html', body: '<h1>Bad gateway</h1>' }),
    'no answer, ever': () => undefined,
  };
  for (const [name, answer] of Object.entries(troubles)) {
    await phone
      .context()
      .route('**/*', (route) =>
        new URL(route.request().url()).pathname.startsWith('/build/') ? route.continue() : answer(route),
      );
    await phone.goto('/athlete');
    await expect(phone.getByRole('main'), name).toContainText('Piet Olander', { timeout: 15_000 });
    await expect(strip(phone), name).toContainText(/reception|kept|No connection/i);
    await phone.context().unroute('**/*');
  }
});

test('a sign-in that has run out and a full phone lose nothing', async ({ browser }) => {
  const phone = await athlete(browser, 'greta.osei-vane');
  await openStep(phone, /morning/, 'This morning');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '2', exact: true }).click();

  // No room: the screen says so, and what was entered stays.
  await phone.evaluate(() => {
    const real = Object.getOwnPropertyDescriptor(IDBObjectStore.prototype, 'put') ?? {};
    (window as unknown as { room: () => void }).room = () => {
      Object.defineProperty(IDBObjectStore.prototype, 'put', real);
    };
    Object.defineProperty(IDBObjectStore.prototype, 'put', {
      ...real,
      value: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    });
  });
  await phone.context().setOffline(true);
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/This phone is full/);
  await expect(
    morning.getByText('This phone has no room left to keep it, and it could not be sent now.'),
  ).toBeVisible();
  await expect(morning.getByRole('radio', { name: '2', exact: true })).toBeChecked();
  await phone.evaluate(() => (window as unknown as { room: () => void }).room());
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/1 kept on this phone/);

  // Signed out meanwhile: asked again over the page, then sent.
  await phone.context().clearCookies();
  await phone.context().setOffline(false);
  const again = phone.getByRole('dialog', { name: 'Your sign-in has run out' });
  await expect(again).toBeVisible({ timeout: 60_000 });
  await again.getByLabel('E-mail address').fill(address('greta.osei-vane'));
  await again.getByLabel('PIN or password').fill(process.env.DEMO_PASSWORD ?? '');
  await again.getByRole('button', { name: 'Sign in' }).click();
  await allSent(phone);
});

test('a knee and an elbow stand on one Today, each with its morning, sessions, ladder and sheet', async ({
  browser,
}) => {
  const phone = await athlete(browser, 'mirela.quill');
  const [knee, elbow] = ['Achilles midportion, left', 'Outer elbow, right'];
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText(knee);
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText(elbow);
  // The elbow's morning is answered; the other case is not asked again by it, nor answered.
  await openStep(phone, new RegExp(`${elbow}: This morning`), 'This morning', elbow);
  const morning = phone.getByRole('region', { name: 'This morning' });
  await expect(morning).toContainText(elbow);
  await morning.getByRole('radio', { name: '1', exact: true }).click();
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(phone.getByRole('button', { name: `${elbow}: This morning’s answer` })).toBeHidden();
  await expect(phone.getByText(elbow).first()).toBeVisible();
  await phone.getByRole('link', { name: 'My ladder' }).click();
  await phone.getByRole('button', { name: elbow }).click();
  await expect(phone.getByText(/^You are on/)).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('link', { name: 'Exercise sheet to print' }).click();
  for (const name of [knee, elbow]) await expect(phone.getByRole('region', { name, exact: true })).toBeVisible();
  await phone.emulateMedia({ media: 'print' });
  await expect(phone.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(strip(phone)).toBeHidden();
  await expect(phone.getByText('+351 210 000 000').first()).toBeVisible();
});

test('a narrow phone with letters twice as large loses nothing, and every target is large enough', async ({
  browser,
}) => {
  const phone = await athlete(browser, 'edda.moorgate');
  for (const path of [
    '/athlete',
    '/athlete/ladder',
    '/athlete/help',
    '/athlete/entered',
    '/athlete/settings',
    '/athlete/session',
  ]) {
    await phone.setViewportSize({ width: 390, height: 844 });
    await phone.goto(path);
    await expect(phone.getByRole('main')).toBeVisible();
    await expect(phone).toHaveTitle(/ · Rung$/);
    const small = await phone.evaluate(() =>
      [...document.querySelectorAll('button, [role=radio], nav a, main a.MuiButton-root, summary')]
        .map((item) => ({
          box: item.getBoundingClientRect(),
          name: (item.getAttribute('aria-label') ?? item.textContent).slice(0, 40),
          off: (item as HTMLButtonElement).disabled,
        }))
        .filter(({ box, off }) => box.height > 0 && !off && (box.height < 43.5 || box.width < 43.5))
        .map(({ name, box }) => `${name} ${Math.round(box.width)}×${Math.round(box.height)}`),
    );
    expect(small, path).toEqual([]);
    await phone.setViewportSize({ width: 320, height: 700 });
    await phone.evaluate(() => {
      document.documentElement.style.fontSize = '200%';
    });
    const wide = await phone.evaluate(() =>
      [
        document.documentElement.scrollWidth,
        ...[...document.querySelectorAll('body *')]
          .filter((item) => {
            const box = item.getBoundingClientRect();
            return box.width > 0 && box.right > 320;
          })
          .map(
            (item) =>
              `${item.tagName} ${item.textContent.slice(0, 30)} ${Math.round(item.getBoundingClientRect().right)}`,
          ),
      ].slice(0, 12),
    );
    expect(Number(wide[0]), `${path}: ${wide.join(' | ')}`).toBeLessThanOrEqual(320);
  }
});

test('the kept plan is on the screen within a second, though nothing answers', async ({ browser }) => {
  const phone = await athlete(browser, 'piet.olander');
  await expect(phone.getByRole('region', { name: 'The next days' })).toBeVisible();
  await keptOnPhone(phone);
  await phone.context().route('**/api/**', () => undefined);
  await phone.goto('/athlete', { waitUntil: 'commit' });
  await expect(phone.getByText('Piet Olander')).toBeVisible({ timeout: 1_000 });
  await expect(strip(phone)).not.toHaveText(/All sent/);
});

test('pounds, a missed morning, leaving an exercise out, the ladder and the sheet', async ({ browser }) => {
  const phone = await athlete(browser, 'basil.thorne');
  await phone.getByRole('link', { name: 'When it hurts' }).click();
  await expect(phone.getByRole('region', { name: 'Stop signs' })).toContainText('Pain of 8 of 10 or more');
  await phone.getByRole('link', { name: 'Settings' }).click();
  await phone.getByRole('button', { name: 'pounds' }).click();
  const [file] = await Promise.all([
    phone.waitForEvent('download'),
    phone.getByRole('button', { name: 'Save my data as a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^rung-\d{4}-\d{2}-\d{2}\.json$/);
  expect(readFileSync(await file.path(), 'utf8')).toContain('"format": "rung-own-data/1"');
  await phone.getByRole('link', { name: 'Today' }).click();
  await startSession(phone);
  await expect(phone.getByText(/ lb/).first()).toBeVisible();
  const title = await phone.getByRole('heading', { level: 2 }).first().innerText();
  await phone.getByRole('button', { name: 'Leave it out' }).click();
  await phone.getByRole('button', { name: 'no equipment' }).click();
  await expect(phone.getByRole('heading', { level: 2 }).first()).not.toHaveText(title);
  const end = phone.getByRole('button', { name: 'End the session here' });
  if (await end.isVisible()) {
    await end.click();
    await phone.getByRole('button', { name: 'no time' }).click();
  }
  await expect(phone.getByRole('region', { name: 'Done' })).toContainText('left out (no equipment)');
  await phone.goto('/athlete/ladder');
  await expect(phone.getByText(/^You are on/)).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('link', { name: 'Exercise sheet to print' }).click();
  await expect(phone.getByRole('heading', { name: 'Basil Thorne: exercises' })).toBeVisible();
});
