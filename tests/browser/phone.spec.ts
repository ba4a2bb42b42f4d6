import { expect, type Page, type Route, test } from '@playwright/test';

import { athlete, audioClock, doSet, expectAccessible, openStep, practitioner, startSession, through, throughAll } from './people';

const strip = (phone: Page) => phone.getByRole('status').first();

/** The reception comes and goes until all is sent: each time what waits is tried again, without waiting for the next quarter of a minute. */
const allSent = (phone: Page) => expect(async () => {
  await phone.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(strip(phone)).toHaveText(/All sent/, { timeout: 1_500 });
}).toPass({ timeout: 60_000 });

/** The worker has kept the page, so that it opens without reception. */
const keptOnPhone = (phone: Page) => phone.evaluate(async () => {
  await navigator.serviceWorker.ready;
  for (let i = 0; i < 100 && navigator.serviceWorker.controller === null; i++) await new Promise((go) => setTimeout(go, 100));
});

/** Asked as if nothing were known yet, so that the whole answer comes. */
const anew = (route: Route) => Object.fromEntries(Object.entries(route.request().headers()).filter(([name]) => name !== 'if-none-match'));

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
  await expect(phone.getByText('anouk.sorrel@ropewalk.example')).toBeVisible();
  await phone.getByRole('button', { name: 'To my plan' }).click();
  // Three short pages, once; found again under help.
  await expect(phone.getByRole('heading', { name: 'Every morning, one answer' })).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Next' }).click();
  await expect(phone.getByRole('region', { name: 'What is allowed, and what stops' })).toContainText('+351 210 000 000');
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

test('a day without reception: morning, session and settling are kept, sent later, each once', async ({ browser, page }) => {
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
  await expect.poll(() => phone.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('rung:wait')))).toEqual([]);

  // The practitioner has it, once.
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Hollis Brandt' }).click();
  const session = page.getByRole('region', { name: 'Sessions' });
  await expect(session.getByText('waits for the morning')).toBeVisible();
  await expect(session.getByRole('table')).toContainText('37.5 kg');
  await expect(session.getByRole('table')).toContainText('2 of 10');
  await expect(session.locator('b').first()).toHaveText(await page.evaluate(() => new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' }).format(new Date()).replace(',', '')));
});

test('what was sent is not asked for again, not even for a moment', async ({ browser }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '2', exact: true }).click();
  // The answer is taken at once; the plan that tells of it takes its time. Neither reaches the practice.
  await phone.route('**/api/today/check-ins/*', (route) => route.fulfill({ status: 201, json: { stored: true, new: true } }));
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: anew(route) });
    const told = (await answer.json()) as { cases: { today: string; morning: { answered: object[] } }[] };
    for (const one of told.cases) one.morning.answered.push({ on: one.today, provocation: 2, stiffness_min: null });
    await new Promise((go) => setTimeout(go, 1500));
    await route.fulfill({ response: answer, json: told });
  });
  await phone.evaluate(() => {
    const seen = window as unknown as { again: number };
    seen.again = 0;
    const card = () => document.querySelector('[aria-label="This morning"]') !== null;
    let gone = false;
    new MutationObserver(() => { if (!card()) gone = true; else if (gone) seen.again += 1; }).observe(document.body, { subtree: true, childList: true });
  });
  const [plan] = await Promise.all([
    phone.waitForResponse((answer) => answer.url().endsWith('/api/today')),
    morning.getByRole('button', { name: 'Send' }).click(),
  ]);
  expect(plan.status()).toBe(200);
  await expect(strip(phone)).toHaveText(/All sent/);
  await expect(phone.getByRole('region', { name: "Today's session" })).toBeVisible();
  expect(await phone.evaluate(() => (window as unknown as { again: number }).again)).toBe(0);
  await expect.poll(() => phone.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('rung:wait')))).toEqual([]);
});

test('whatever the server answers, or if it never does, the phone goes on from what it holds', async ({ browser }) => {
  const phone = await athlete(browser, 'piet.olander');
  await expect(phone.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await keptOnPhone(phone);
  const troubles: Record<string, (route: Route) => Promise<void> | void> = {
    'the database is away': (route) => route.fulfill({ status: 503, headers: { 'Retry-After': '5' }, json: { message: 'Rung is away for a moment.' } }),
    'a failure': (route) => route.fulfill({ status: 500, body: 'x' }),
    'a page of something in between': (route) => route.fulfill({ status: 502, contentType: 'text/html', body: '<h1>Bad gateway</h1>' }),
    'no answer, ever': () => undefined,
  };
  for (const [name, answer] of Object.entries(troubles)) {
    await phone.context().route('**/*', (route) => (new URL(route.request().url()).pathname.startsWith('/build/') ? route.continue() : answer(route)));
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

  // No room: told, and what was entered stays on the screen.
  await phone.evaluate(() => {
    const real = Object.getOwnPropertyDescriptor(Storage.prototype, 'setItem') ?? {};
    (window as unknown as { room: () => void }).room = () => { Object.defineProperty(Storage.prototype, 'setItem', real); };
    Object.defineProperty(Storage.prototype, 'setItem', { ...real, value: () => { throw new DOMException('full', 'QuotaExceededError'); } });
  });
  await phone.context().setOffline(true);
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/This phone is full/);
  await expect(morning.getByText('This phone has no room left to keep it, and it could not be sent now.')).toBeVisible();
  await expect(morning.getByRole('radio', { name: '2', exact: true })).toBeChecked();
  await phone.evaluate(() => (window as unknown as { room: () => void }).room());
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/1 kept on this phone/);

  // Signed out meanwhile: asked again over the page, then sent.
  await phone.context().clearCookies();
  await phone.context().setOffline(false);
  const again = phone.getByRole('dialog', { name: 'Your sign-in has run out' });
  await expect(again).toBeVisible({ timeout: 60_000 });
  await again.getByLabel('E-mail address').fill('greta.osei-vane@ropewalk.example');
  await again.getByLabel('PIN or password').fill(process.env.DEMO_PASSWORD ?? '');
  await again.getByRole('button', { name: 'Sign in' }).click();
  await allSent(phone);
});

test('pain over the limit is told, pain at the stop level ends the session and reaches the practitioner', async ({ browser, page }) => {
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
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText('No loading until you have been seen.');
  await expectAccessible(phone);
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  await expect(page.getByRole('region', { name: 'Stopped: review before any loading' }).getByRole('article', { name: 'Calla Westerby' })).toContainText('pain 8 of 10');
});

test('a knee and an elbow stand on one Today, each with its morning, sessions, ladder and sheet', async ({ browser }) => {
  const phone = await athlete(browser, 'mirela.quill');
  const [knee, elbow] = ['Achilles midportion, left', 'Outer elbow, right'];
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText(knee);
  await expect(phone.getByRole('region', { name: 'The next days' })).toContainText(elbow);
  // The elbow's morning is answered; the other case is not asked again by it, nor answered.
  await openStep(phone, new RegExp(`${elbow}: This morning`), 'This morning');
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

test('over the limit the school speaks at once and something easier is offered; each side keeps its own count', async ({ browser, page }) => {
  const phone = await athlete(browser, 'ines.calloway');
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: anew(route) });
    const told = (await answer.json()) as { cases: { morning: { answered: object[] }; today: string; sessions: { exercises: object[] }[] }[] };
    for (const exercise of told.cases.flatMap((one) => one.sessions).flatMap((one) => one.exercises)) {
      Object.assign(exercise, { mode: 'isotonic', max_pain: 3, pain_by_set: true, sides: [{ side: 'left', words: 'left, the sore one' }, { side: 'right', words: 'right' }], dose: { sets: 2, reps: 15, rest_s: 0, tempo: { lift_s: 2, top_s: 0, lower_s: 2, bottom_s: 0, starts: 'lift' } } });
    }
    await route.fulfill({ response: answer, json: told });
  });
  await Promise.all([phone.waitForResponse('**/api/today'), phone.reload()]);
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
  await expect(phone.getByRole('region', { name: 'Done' })).toContainText('1 of 2 sets: left 3, right 15 (hurts too much), pain 6');
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
  const sets = () => phone.evaluate(() => JSON.stringify((JSON.parse(localStorage.getItem('rung:run') ?? '{}') as { value: { revision: number; progress: { sets: unknown[]; turn: object }[] } }).value.progress.map((one) => [one.sets.length, Object.keys(one.turn).length])));
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

test('what was entered is put right, a missed session says why, and practice beside the plan is logged', async ({ browser, page }) => {
  const phone = await athlete(browser, 'dario.pell');
  await openStep(phone, /This morning/, 'This morning');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '5, clear' }).click();
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await phone.getByRole('link', { name: 'What I entered' }).click();
  const entry = phone.getByRole('article', { name: 'Morning, today' });
  await expect(entry).toContainText('The test 5 of 10');
  await expectAccessible(phone);
  await entry.getByRole('button', { name: 'Put it right' }).click();
  await entry.getByRole('radio', { name: '1', exact: true }).click();
  await expect(entry).toContainText('The test 1 of 10');
  const missed = phone.getByRole('article', { name: /not done$/ }).first();
  await missed.getByRole('button', { name: 'travelling' }).click();
  await expect(missed).toContainText('Not done: travelling');

  await phone.getByRole('link', { name: 'I practised or competed' }).click();
  await phone.getByLabel('Minutes of practice').fill('1500');
  await expect(phone.getByText('At most 1440 minutes')).toBeVisible();
  await phone.getByLabel('Minutes of practice').fill('900');
  await phone.getByRole('radiogroup', { name: 'Effort' }).getByRole('radio', { name: '6' }).click();
  await phone.getByRole('radiogroup', { name: 'Pain in practice' }).getByRole('radio', { name: '1', exact: true }).click();
  await expect(phone.getByRole('button', { name: 'Finish and send' })).toBeDisabled();
  await expect(phone.getByText(/^900 minutes\?/)).toBeVisible();
  await phone.getByLabel('Minutes of practice').fill('40');
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);

  await practitioner(page);
  await page.getByRole('link', { name: 'Open Dario Pell' }).click();
  const told = page.getByRole('region', { name: 'Messages' });
  await expect(told).toContainText('the test was 5 of 10');
  await expect(told).toContainText('travelling');
});

test('a flare told between sessions stands on the Round until it is answered, and the answer comes to the phone', async ({ browser, page }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  await phone.getByRole('link', { name: 'When it hurts' }).click();
  await phone.getByRole('button', { name: 'It flares' }).click();
  await phone.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '6' }).click();
  await phone.getByLabel('Since when, and after what').fill('Since the late show');
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  const asked = page.getByRole('region', { name: 'Athletes wrote' });
  await expect(asked).toContainText('Flare, pain 6 of 10: Since the late show');
  await expectAccessible(page);
  await asked.getByRole('link', { name: 'Juno Tamsin' }).click();
  await page.getByLabel('Answer Juno Tamsin').fill('Holds only today.');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('dealt with');
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
  await expect(asked).toBeHidden();
  await phone.reload();
  await expect(phone.getByText('Holds only today.').first()).toBeVisible();
});

test('the owner says whom athletes call, and bad numbers are refused in place', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Ropewalk Circus School' }).click();
  await page.getByLabel('Telephone').fill('by pigeon');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('The telephone number must be digits')).toBeVisible();
  await expect(page.getByLabel('Telephone')).toHaveValue('by pigeon');
  await page.getByLabel('Telephone').fill('+351 210 000 000');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Phones show it')).toBeVisible();
  await expectAccessible(page);
});

test('a narrow phone with letters twice as large loses nothing, and every target is large enough', async ({ browser }) => {
  const phone = await athlete(browser, 'edda.moorgate');
  for (const path of ['/athlete', '/athlete/ladder', '/athlete/help', '/athlete/entered', '/athlete/settings', '/athlete/session']) {
    await phone.setViewportSize({ width: 390, height: 844 });
    await phone.goto(path);
    await expect(phone.getByRole('main')).toBeVisible();
    await expect(phone).toHaveTitle(/ · Rung$/);
    const small = await phone.evaluate(() => [...document.querySelectorAll('button, [role=radio], nav a, main a.MuiButton-root, summary')]
      .map((one) => ({ box: one.getBoundingClientRect(), name: (one.getAttribute('aria-label') ?? one.textContent).slice(0, 40), off: (one as HTMLButtonElement).disabled }))
      .filter(({ box, off }) => box.height > 0 && !off && (box.height < 43.5 || box.width < 43.5)).map(({ name, box }) => `${name} ${Math.round(box.width)}×${Math.round(box.height)}`));
    expect(small, path).toEqual([]);
    await phone.setViewportSize({ width: 320, height: 700 });
    await phone.evaluate(() => { document.documentElement.style.fontSize = '200%'; });
    const wide = await phone.evaluate(() => [document.documentElement.scrollWidth, ...[...document.querySelectorAll('body *')].filter((one) => { const box = one.getBoundingClientRect(); return box.width > 0 && box.right > 320; }).map((one) => `${one.tagName} ${(one.textContent).slice(0, 30)} ${Math.round(one.getBoundingClientRect().right)}`)].slice(0, 12));
    expect(Number(wide[0]), `${path}: ${wide.join(' | ')}`).toBeLessThanOrEqual(320);
  }
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

test('the kept plan is on the screen within a second, though nothing answers', async ({ browser }) => {
  const phone = await athlete(browser, 'piet.olander');
  await expect(phone.getByRole('region', { name: 'The next days' })).toBeVisible();
  await keptOnPhone(phone);
  await phone.context().route('**/api/**', () => undefined);
  await phone.goto('/athlete', { waitUntil: 'commit' });
  await expect(phone.getByText('Piet Olander')).toBeVisible({ timeout: 1_000 });
  await expect(strip(phone)).not.toHaveText(/All sent/);
});

test('where the school tests again, what makes the test worse is told', async ({ browser, page }) => {
  const phone = await athlete(browser, 'edda.moorgate');
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: anew(route) });
    const told = (await answer.json()) as { cases: { retest: boolean }[] };
    for (const one of told.cases) one.retest = true;
    await route.fulfill({ response: answer, json: told });
  });
  await Promise.all([phone.waitForResponse('**/api/today'), phone.reload()]);
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
  if (await phone.getByRole('radiogroup', { name: /^Pain in set/ }).isVisible()) await phone.getByRole('radio', { name: '1', exact: true }).click();
  await rest.getByRole('radio', { name: '2', exact: true }).click();
  await expect(rest.getByText(/It made the test worse/)).toBeHidden();
  await rest.getByRole('radio', { name: '3, mild', exact: false }).click();
  await expect(rest.getByText('It made the test worse, from 2 to 3.')).toBeVisible();
  await rest.getByRole('button', { name: 'No more sets of it' }).click();
  await phone.getByRole('radiogroup', { name: /^Pain in/ }).getByRole('radio', { name: '1', exact: true }).click();
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
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('table')).toContainText('sets: the test got worse)');
});

test('the pacer: mark and sound stay on the audio clock over five minutes, late timers and all', async ({ browser }) => {
  const phone = await athlete(browser, 'juno.tamsin');
  // Sound and time are measured, not waited for: an audio clock that follows the page's own time, run by hand.
  await phone.addInitScript(audioClock, 1);
  await phone.addInitScript(() => {
    Object.assign(window, { beats: [], marks: [] });
    (window as unknown as { rungWatch: (told: unknown) => void }).rungWatch = (told) => { (window as unknown as { beats: unknown[] }).beats.push(told); };
  });
  await phone.route('**/api/today', async (route) => {
    const answer = await route.fetch({ headers: anew(route) });
    const told = (await answer.json()) as { cases: { sessions: { exercises: object[] }[] }[] };
    for (const session of told.cases.flatMap((one) => one.sessions)) {
      for (const exercise of session.exercises) {
        Object.assign(exercise, { mode: 'isotonic', sides: [], dose: { sets: 1, reps: 42, rest_s: 0, beats_per_min: 50, tempo: { lift_s: 3, top_s: 0.7, lower_s: 2.9, bottom_s: 0.6, starts: 'lift' } } });
      }
    }
    await route.fulfill({ response: answer, json: told });
  });
  await phone.clock.install();
  await phone.goto('/athlete');
  await startSession(phone);
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.evaluate(() => {
    const all = window as unknown as { beats: { due: number }[]; marks: number[] };
    // Each time the mark is drawn anew: where it stands, against the clock that sounds are asked for by.
    const set = Object.getOwnPropertyDescriptor(Element.prototype, 'setAttribute')?.value as (this: Element, name: string, value: string) => void;
    Object.defineProperty(Element.prototype, 'setAttribute', {
      value(this: Element, name: string, value: string) {
        const first = all.beats[0];
        if (name === 'data-position' && first !== undefined) all.marks.push(Math.max(0, performance.now() / 1000 - first.due) - Number(value));
        set.call(this, name, value);
      },
    });
  });
  for (let i = 0; i < 30; i++) {
    await phone.clock.runFor(9_800);
    // The page is held up for a fifth of a second.
    await phone.clock.fastForward(200);
  }
  const told = await phone.evaluate(() => {
    const all = window as unknown as { beats: { tone: string; due: number; asked: number; now: number }[]; marks: number[] };
    return { beats: all.beats, marks: all.marks };
  });
  expect(told.beats.filter((beat) => beat.tone === 'lift').length).toBeGreaterThan(40);
  const length = Math.max(...told.beats.map((beat) => beat.due)) - Math.min(...told.beats.map((beat) => beat.due));
  expect(length).toBeGreaterThan(290);
  expect(Math.max(...told.beats.map((beat) => Math.abs(beat.asked - beat.due)))).toBeLessThan(0.001);
  expect(Math.max(...told.beats.map((beat) => beat.now - beat.due))).toBeLessThanOrEqual(0);
  // Repetitions come every 7.2 s to the millisecond, beats every 1.2 s.
  const every = (tone: string) => { const due = told.beats.filter((beat) => beat.tone === tone).map((beat) => beat.due); return due.slice(1).map((at, i) => at - (due[i] ?? 0)); };
  for (const gap of every('lift')) expect(Math.abs(gap - 7.2)).toBeLessThan(0.001);
  for (const gap of every('beat')) expect(Math.abs(gap - 1.2)).toBeLessThan(0.001);
  expect(told.marks.length).toBeGreaterThan(5_000);
  expect(Math.max(...told.marks.map(Math.abs))).toBeLessThan(0.03);

  // The end comes by itself, with all repetitions counted.
  await phone.clock.runFor(8_000);
  await expect(phone.getByRole('radiogroup', { name: /^Pain in/ })).toBeVisible();
});

test('pounds, a missed morning, leaving an exercise out, the ladder and the sheet', async ({ browser }) => {
  const phone = await athlete(browser, 'basil.thorne');
  await phone.getByRole('link', { name: 'When it hurts' }).click();
  await expect(phone.getByRole('region', { name: 'Stop signs' })).toContainText('Pain of 8 of 10 or more');
  await phone.getByRole('link', { name: 'Settings' }).click();
  await phone.getByRole('button', { name: 'pounds' }).click();
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
