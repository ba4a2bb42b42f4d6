import { expect, test } from '@playwright/test';

import { address, athlete, expectAccessible, openStep, practitioner, startSession, throughAll } from './people';

test('a case from intake to the first session on the phone', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'New case' }).click();
  // By keyboard alone: the first field has the focus, Ctrl + Enter goes on.
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.type('Odile Marsh');
  // What is needed is marked before the step is left.
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('Choose the structure.')).toBeVisible();
  await expect(page.getByText('Choose whether something hurts.')).toBeVisible();
  await expect(page.getByText('Type the name.')).toBeHidden();
  await page.getByLabel('Body mass, kg').fill('7');
  await page.getByLabel('E-mail address to sign in with').fill(address('odile.marsh'));
  // Nothing clinical is chosen beforehand.
  await page.getByRole('button', { name: 'Something hurts' }).click();
  for (const [field, choice] of [
    ['Structure', 'Kneecap tendon'],
    ['Side', 'left'],
    ['Must get back to', 'jumping'],
  ] as const) {
    await page.getByRole('combobox', { name: field }).click();
    await page.getByRole('option', { name: choice, exact: true }).click();
  }
  await page.getByLabel('Trains now, days a week').fill('3');
  await page.getByLabel('Pain began on').fill('2026-03-01');
  await page.getByLabel('After what change of load').fill('A week of double rehearsals');
  // The fault appears under its field and moves what stands below it.
  await expect(page.getByText('Body mass must be from 20 to 300.').first()).toBeVisible();
  // What moves while it is clicked is clicked again.
  await expect(async () => {
    await page.getByRole('button', { name: 'everything' }).click();
    await expect(page.getByRole('button', { name: 'leg extension' })).toHaveAttribute('aria-pressed', 'true', {
      timeout: 1000,
    });
  }).toPass();
  await page.getByLabel('History, what was tried').fill('Rest for two weeks');
  await page.keyboard.press('Control+Enter');

  // Bad input is marked at its field. An open referral sign blocks the start until a reason is given.
  await expect(page.getByRole('button', { name: '1 · History and cause something to correct' })).toBeVisible();
  await page.getByRole('button', { name: /^1 ·/ }).click();
  await expect(page.getByText('Body mass must be from 20 to 300.').first()).toBeVisible();
  await page.getByLabel('Body mass, kg').fill('58');
  await page.getByRole('button', { name: 'On to screening' }).click();
  // The hands go on in the first field of each step.
  await expect(page.getByRole('form', { name: 'Screening' }).getByRole('checkbox').first()).toBeFocused();
  await page.getByLabel('Locking or snapping on twist').check();
  await page.getByLabel('Fluoroquinolone antibiotic').check();
  await page.getByLabel('Fluoroquinolone antibiotic: last taken on').fill('2026-02-26');
  await expect(
    page.getByText('3 days before the pain began: outside 8 to 183 days, not counted').first(),
  ).toBeVisible();
  await expect(
    page.getByText('No start. Locking or snapping on twist: say why it is safe to go on, or refer.'),
  ).toBeVisible();
  await page.getByLabel('Why it is safe to go on').fill('Examined: stable');
  await expect(page.getByRole('checkbox', { name: /^None of these signs/ })).toBeDisabled();
  await page.getByRole('button', { name: 'On to irritability' }).click();
  await expect(page.getByLabel('Pain at rest, 0–10')).toBeFocused();
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
  // A rung that was tried and hurts takes the beginning below it; taken away, the start is as it was.
  const room = page.getByRole('group', { name: 'Tried in the room' });
  await room.getByRole('button', { name: 'Add what was tried' }).click();
  await room.getByLabel('Held, s').fill('30');
  await room.getByLabel('Pain, 0–10').fill('7');
  await expect(page.getByRole('region', { name: 'Where to begin' })).toContainText(
    'begin at holds, by what was tried, seated straight-leg lift',
  );
  await room.getByRole('button', { name: 'Take away try 1' }).click();
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
  // A word is no reason: back to the step and the field.
  await expect(page.getByText(/must be a sentence at least/).first()).toBeVisible();
  await page.getByLabel('Why it is safe to go on').fill('Examined: the knee is stable and does not lock');
  await page.getByRole('button', { name: /^7 · Sign/ }).click();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await expect(page.getByText('Screening must be signed').first()).toBeVisible();
  await page.getByLabel('I have screened for referral signs and risks, and sign for it').check();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await expect(page.getByRole('heading', { name: 'The case of Odile Marsh is open' })).toBeVisible();
  const password = await page.locator('p', { hasText: /^[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}$/ }).innerText();

  await page.getByRole('link', { name: 'See ladder and first week' }).click();
  await expect(page.getByRole('img', { name: /Stage 1 of 4, Holds/ })).toBeVisible();
  await expect(page.getByText('Referral sign at the start: locking or snapping on twist.')).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'In force' }).getByText('Holds', { exact: true }).first(),
  ).toBeVisible();

  const phone = await athlete(browser, 'odile.marsh', password, 25);
  await expect(phone.getByText('Fewer jumps and landings')).toBeVisible();
  await expect(phone.getByRole('region', { name: "Today's session" })).toContainText(
    /Leg-extension hold at 60°.*Load to be found/,
  );
  await startSession(phone);
  // No programme knows the weight: it is found, written down, and asked for again.
  await expect(
    phone.getByText('Load to be found: a weight that you can hold to the last second at effort 7 of 10.'),
  ).toBeVisible();
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
  // Asked for at the school's time, a day later; it can be entered before.
  await openStep(phone, /Back to normal/, 'Back to normal');
  await phone.getByRole('button', { name: 'Yes, just now' }).click();
  await expect(phone.getByRole('region', { name: 'Done for today' })).toBeVisible();

  // What came in stands on the Case page.
  await expect(page.getByText(/Pain 2 of 10 during.*Waiting for the next morning/).first()).toBeVisible({
    timeout: 15_000,
  });
  await expect(
    page.getByRole('region', { name: 'In force' }).getByText('Load from what was lifted: 30 kg'),
  ).toBeVisible();
});

test('an opening ends with a letter instead, which is found again', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'New case' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.type('Wenna Prior');
  await page.getByRole('combobox', { name: 'Structure' }).click();
  await page.getByRole('option', { name: 'Kneecap tendon', exact: true }).click();
  await page.getByRole('button', { name: /^2 ·/ }).click();
  await page.getByLabel('Locking or snapping on twist').check();
  await page.getByRole('button', { name: 'Refer instead …' }).click();
  const dialog = page.getByRole('dialog');
  const end = dialog.getByRole('button', { name: 'End the opening with a letter' });
  await expect(end).toBeEnabled();
  await expectAccessible(page);
  await end.click();
  await expect(dialog.getByText(/say to whom/)).toBeVisible();
  await dialog.getByLabel('To whom').fill('the knee clinic');
  await dialog.getByLabel('What you ask for, and why').fill('The knee locks: please examine the meniscus first.');
  await end.click();
  await expect(dialog.getByRole('textbox', { name: 'Letter' })).toHaveValue(
    /To the knee clinic\n\nRe: Wenna Prior, Kneecap tendon[^]*- Locking or snapping on twist/,
  );
  await dialog.getByRole('link', { name: 'To the Round' }).click();
  await page.getByRole('link', { name: 'Closed cases' }).click();
  await page
    .getByRole('region', { name: 'Referred instead of opened' })
    .getByRole('button', { name: /Wenna Prior/ })
    .click();
  await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/please examine the meniscus first/);
  await page.getByRole('link', { name: 'New case' }).click();
  await expect(page.getByRole('button', { name: 'Discard Wenna Prior' })).toHaveCount(0);
});

test('a morning answer on the phone moves the case on the Round at once', async ({ page, browser }) => {
  await practitioner(page);
  const line = page.getByRole('article', { name: 'Juno Tamsin' });
  await expect(line).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Stopped: review before any loading' })
      .getByRole('article', { name: 'Juno Tamsin' }),
  ).toBeHidden();

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

  const stopped = page
    .getByRole('region', { name: 'Stopped: review before any loading' })
    .getByRole('article', { name: 'Juno Tamsin' });
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
  // Enter leaves the field; going back finds the Round as it was left.
  await page.keyboard.press('Enter');
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { name: 'Tobias Fenwick' })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel('Search')).toHaveValue('fenwick');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.keyboard.press('/');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('article')).not.toHaveCount(1);

  // What is decided leaves its line; the cursor stays where it was, on the next one.
  const labels = await page.getByRole('article').evaluateAll((lines) => lines.map((line) => line.ariaLabel ?? ''));
  const line = page
    .getByRole('region', { name: /^(Too much|Ready to progress)/ })
    .getByRole('article')
    .first();
  const first = (await line.getAttribute('aria-label')) ?? '';
  const second = labels[labels.indexOf(first) + 1] ?? '';
  const top = page.getByRole('article').first();
  while ((await top.getAttribute('aria-current')) !== 'true') await page.keyboard.press('k');
  while ((await line.getAttribute('aria-current')) !== 'true') await page.keyboard.press('j');
  await page.keyboard.press('a');
  await page.getByRole('dialog').getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText(new RegExp(`^${first}: `))).toBeVisible();
  await expect(page.getByRole('article', { name: second, exact: true })).toHaveAttribute('aria-current', 'true');
});

test('prevention is a way of its own: the season instead of pain, and the usual rung to begin with', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'New case' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Perran Oake');
  await page.getByLabel('Body mass, kg').fill('68');
  const start = page.getByRole('region', { name: 'Where to begin' });
  await expect(start).toContainText('Say what it is for, the structure');
  await page.getByLabel('Trains now, days a week').fill('3');
  await expect(page.getByLabel('Pain began on')).toBeVisible();
  await page.getByRole('button', { name: 'Prevention: nothing hurts' }).click();
  await expect(page.getByLabel('Pain began on')).toBeHidden();
  await page.getByLabel('Season begins on').fill(new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10));
  await page.getByLabel('Season ends on').fill('2020-01-01');
  await page.getByLabel('Date of birth, if known').fill(`${new Date().getFullYear() - 15}-01-01`);
  for (const [field, choice] of [
    ['Structure', 'Kneecap tendon'],
    ['Side', 'both'],
    ['To be kept fit for', 'turning and cutting'],
  ] as const) {
    await page.getByRole('combobox', { name: field }).click();
    await page.getByRole('option', { name: choice, exact: true }).click();
  }
  await expect(page.getByText('No programme of the library is made for prevention here')).toBeVisible();
  await expect(page.getByText(/must not lie before today/)).toBeVisible();
  await page.getByLabel('Season ends on').fill('');
  await page.getByRole('combobox', { name: 'Structure' }).click();
  await page.getByRole('option', { name: /Groin/ }).first().click();
  await page.getByRole('button', { name: 'everything' }).click();
  await expect(start).toContainText('usual rung');
  await expect(start).toContainText(/The season begins in [56] weeks/);
  await expectAccessible(page);

  // At fifteen the growth zone is looked at before anything starts.
  await page.getByRole('button', { name: 'On to screening' }).click();
  await page.getByLabel(/^None of these signs/).check();
  await page.getByLabel(/^None of these risks/).check();
  await page.getByRole('button', { name: /^7 ·/ }).click();
  await page.getByLabel('I have screened for referral signs').check();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await expect(page.getByText('15 years old: a joint that may still grow.')).toBeVisible();
  await expect(page.getByText(/press on the growth zone beside the tendon/i).last()).toBeVisible();
  await page.getByLabel('I pressed on it, and it does not hurt').check();
  await page.getByRole('button', { name: /^7 ·/ }).click();
  await page.getByRole('button', { name: 'Sign and open the case' }).click();
  await page.getByRole('link', { name: 'See ladder and first week' }).click();
  await expect(
    page.getByText(/For prevention, season from .* · 15 years old, the growth zone was pressed on and does not hurt/),
  ).toBeVisible();
});
