import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, openStep, practitioner, startSession, throughAll } from './people';

test('a case from intake to the first session on the phone', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'New case' }).click();
  // By keyboard alone: the first field has the focus, Ctrl + Enter goes on.
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.type('Odile Marsh');
  await page.getByLabel('Body mass, kg').fill('7');
  await page.getByLabel('E-mail address to sign in with').fill('odile.marsh@ropewalk.example');
  await page.getByLabel('Pain began on').fill('2026-03-01');
  await page.getByLabel('After what change of load').fill('A week of double rehearsals');
  // The fault appears under its field and moves what stands below it.
  await expect(page.getByText('Body mass must be from 20 to 300.').first()).toBeVisible();
  await page.getByRole('button', { name: 'everything' }).click();
  await expect(page.getByRole('button', { name: 'leg extension' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('History, what was tried').fill('Rest for two weeks');
  await page.keyboard.press('Control+Enter');

  // Bad input is told at its field. An open referral sign blocks the start until a reason is given.
  await expect(page.getByRole('button', { name: '1 · History and cause something to mend' })).toBeVisible();
  await page.getByRole('button', { name: /^1 ·/ }).click();
  await expect(page.getByText('Body mass must be from 20 to 300.').first()).toBeVisible();
  await page.getByLabel('Body mass, kg').fill('58');
  await page.getByRole('button', { name: 'On to screening' }).click();
  await page.getByLabel('Locking or snapping on twist').check();
  await page.getByLabel('Fluoroquinolone antibiotic').check();
  await page.getByLabel('Fluoroquinolone antibiotic: last taken on').fill('2026-02-26');
  await expect(page.getByText('3 days before the pain began: outside 8 to 183 days, not counted').first()).toBeVisible();
  await expect(page.getByText('No start. Locking or snapping on twist: say why it is safe to go on, or refer.')).toBeVisible();
  await page.getByLabel('Why it is safe to go on').fill('Examined: stable');
  await page.getByRole('button', { name: 'On to irritability' }).click();
  await page.getByLabel('Pain at rest, 0–10').fill('2');
  await page.getByLabel('Test score, 0–10').fill('4');
  await expect(page.getByText('Medium irritability (pain at rest 2 of 10, test 4 of 10).')).toBeVisible();

  // Left in the middle, and taken up where it was.
  await expect(page.getByText('Kept. You can leave it here')).toBeVisible();
  await page.getByRole('link', { name: 'New case' }).click();
  await page.getByRole('link', { name: 'Take up Odile Marsh' }).click();
  await expect(page.getByLabel('Test score, 0–10')).toHaveValue('4');
  await page.getByRole('button', { name: 'On to load relief' }).click();
  await page.getByLabel('Fewer jumps and landings: half of the usual number to begin with.').check();
  await page.getByRole('button', { name: 'On to baseline' }).click();
  await page.getByLabel('Knee extension strength, sore side, N').fill('300');
  await page.getByLabel('Knee extension strength, other side, N').fill('400');
  await expect(page.getByText('Symmetry 75 %')).toBeVisible();
  await page.getByRole('button', { name: 'On to proposal' }).click();
  const where = page.getByRole('region', { name: 'Where to begin' });
  await expect(where).toContainText('begin at holds, middle rung, leg-extension hold at 60°, the sore side.');
  await expectAccessible(page);

  // Another programme in one click, and back.
  await page.getByRole('button', { name: /^Knee without pain/ }).click();
  await expect(where).toContainText('Knee without pain: chosen by you.');
  await page.getByRole('button', { name: /^Knee in four stages/ }).click();
  await expect(where).toContainText('the usual programme for the kneecap tendon');
  await page.getByRole('button', { name: 'On to sign' }).click();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await expect(page.getByText('Screening must be signed').first()).toBeVisible();
  await page.getByLabel('I have screened for referral signs and risks, and sign for it').check();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await expect(page.getByRole('heading', { name: 'The case of Odile Marsh is open' })).toBeVisible();
  const password = await page.locator('p', { hasText: /^[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}$/ }).innerText();

  await page.getByRole('link', { name: 'See ladder and first week' }).click();
  await expect(page.getByRole('img', { name: /Stage 1 of 4, Holds/ })).toBeVisible();
  await expect(page.getByText('Referral sign at the start: locking or snapping on twist.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'In force' }).getByText('Holds', { exact: true }).first()).toBeVisible();

  const phone = await athlete(browser, 'odile.marsh', password, 25);
  await expect(phone.getByText('Fewer jumps and landings')).toBeVisible();
  await expect(phone.getByRole('region', { name: "Today's session" })).toContainText(/Leg-extension hold at 60°.*Load to be found/);
  await startSession(phone);
  // No programme knows the weight: it is found, written down, and asked for again.
  await expect(phone.getByText('Load to be found: a weight that you can hold to the last second at effort 7 of 10.')).toBeVisible();
  await phone.getByLabel('Load used, kg').fill('30');
  await phone.getByRole('button', { name: 'Use it' }).click();
  await expect(phone.getByText(/^Set 1 of 5, left · 30 kg$/)).toBeVisible();
  // The first hold is paced; a reload in the middle loses nothing.
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  // In the exercise's own word.
  await expect(phone.getByText('Press', { exact: true }).first()).toBeVisible();
  await phone.getByRole('button', { name: 'End the hold here' }).click();
  await expect(phone.getByRole('region', { name: 'Rest' })).toBeVisible();
  await phone.reload();
  await phone.getByRole('button', { name: 'Go on now' }).click();
  await expect(phone.getByText(/^Set 2 of 5, left · 30 kg$/)).toBeVisible();
  await throughAll(phone, '2');
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  // Asked at the school's time, a day later; it can be told before.
  await openStep(phone, /Back to normal/, 'Back to normal');
  await phone.getByRole('button', { name: 'Yes, just now' }).click();
  await expect(phone.getByRole('region', { name: 'Done for today' })).toBeVisible();

  // What came in stands on the Case page.
  await expect(page.getByText(/Pain 2 of 10 during.*Waiting for the next morning/).first()).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole('region', { name: 'In force' }).getByText('Load from what was lifted: 30 kg')).toBeVisible();
});

test('a morning answer on the phone moves the case on the Round at once', async ({ page, browser }) => {
  await practitioner(page);
  const line = page.getByRole('article', { name: 'Juno Tamsin' });
  await expect(line).toBeVisible();
  await expect(page.getByRole('region', { name: 'Stopped: review before any loading' }).getByRole('article', { name: 'Juno Tamsin' })).toBeHidden();

  const phone = await athlete(browser, 'juno.tamsin');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '4', exact: true }).click();
  await morning.getByRole('button', { name: '10', exact: true }).click();
  await morning.getByRole('button', { name: 'Something else is wrong' }).click();
  await morning.getByLabel('Swelling').check();
  await expect(morning.getByText('Stop loading and contact your practitioner.')).toBeVisible();
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(phone.getByText('No loading and no test until you have been seen.')).toBeVisible();
  await expect(phone.getByRole('link', { name: 'Start' })).toBeHidden();

  const stopped = page.getByRole('region', { name: 'Stopped: review before any loading' }).getByRole('article', { name: 'Juno Tamsin' });
  await expect(stopped).toContainText('Reported: swelling', { timeout: 12_000 });
  await stopped.getByRole('link', { name: 'Review Juno Tamsin' }).click();
  await page.getByRole('button', { name: 'Clear after review' }).click();
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Reason is needed: say why, for the record.')).toBeVisible();
  await page.getByLabel('Reason, for the record').fill('Seen: a bruise from the mat');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('region', { name: 'Record of decisions' })).toContainText('Seen: a bruise from the mat');
  await phone.reload();
  await expect(phone.getByText('No loading and no test')).toBeHidden();
});

test('the Round is worked by keyboard', async ({ page }) => {
  await practitioner(page);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('fenwick');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.keyboard.press('Tab');
  await page.locator('body').press('o');
  await expect(page.getByRole('heading', { name: 'Tobias Fenwick' })).toBeVisible();
});

test('no serious fault of accessibility, light and dark', async ({ page, browser }) => {
  test.setTimeout(300_000);
  await practitioner(page);
  const phone = await athlete(browser, 'piet.olander');
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await phone.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    for (const path of ['/', '/new', '/library?structure=quadriceps_tendon', '/library?view=rules']) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await expectAccessible(page);
    }
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
    await page.getByRole('region', { name: 'Sessions' }).getByRole('table').waitFor();
    await page.getByRole('button', { name: 'Ask every school' }).click();
    await page.getByText('Where they part').waitFor();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Prescribe' }).click();
    await page.getByRole('button', { name: /^Edit/ }).first().click();
    await page.getByText('up to date').waitFor();
    await expectAccessible(page);
    await phone.goto('/athlete');
    await phone.getByRole('region', { name: 'The next days' }).waitFor();
    await expectAccessible(phone);
    await phone.goto('/athlete/session');
    await phone.getByRole('button', { name: 'Start', exact: true }).waitFor();
    await expectAccessible(phone);
  }
});
