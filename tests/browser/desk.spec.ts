import { expect, type Page, test } from '@playwright/test';

import { address, athlete, expectAccessible, practitioner } from './people';

const record = (page: Page) => page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem');

/** The first line of a group of the Round, and whose it is. */
async function firstOf(page: Page, group: string): Promise<{ name: string }> {
  const line = page.getByRole('region', { name: group }).getByRole('article').first();
  return { name: (await line.getAttribute('aria-label')) ?? '' };
}

test('a progress is accepted, taken back with one key, and accepted for good', async ({ page, browser }) => {
  await practitioner(page);
  const { name } = await firstOf(page, 'Ready to progress');
  const onCourse = page.getByRole('region', { name: 'On course' }).getByRole('article', { name });
  const accept = async () => {
    await page.getByRole('button', { name: `Accept for ${name}` }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('→');
    await expect(dialog).toContainText('Settled answers since the last change');
    await dialog.getByRole('button', { name: 'Put in force' }).click();
    await expect(page.getByText(`${name}: Progress:`)).toBeVisible();
    await expect(onCourse).toBeVisible();
  };
  await accept();
  await page.locator('body').press('u');
  await expect(page.getByText('Taken back: Progress:')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Ready to progress' }).getByRole('article', { name })).toBeVisible();
  await accept();

  // Loaded again, the case still knows what was decided last: the first press says it, the second takes it back.
  await page.getByRole('link', { name: `Open ${name}` }).click();
  await page.reload();
  await expect(record(page).nth(0)).toContainText('Progress:');
  await page.locator('body').press('u');
  await expect(page.getByText('Latest decision: Progress:')).toBeVisible();
  await page.locator('body').press('u');
  await expect(page.getByText('Taken back: Progress:').first()).toBeVisible();
  await page.goBack();
  await accept();

  await page.getByRole('link', { name: `Open ${name}` }).click();
  await expect(record(page).nth(0)).toContainText('Progress:');
  await expect(record(page).nth(1)).toContainText('Taken back: Progress:');
  await expect(record(page).nth(3)).toContainText('Taken back:');
  await expect(record(page).nth(4)).toContainText('Taken back since.');
  await record(page).nth(0).getByRole('button', { name: 'Evidence as it was' }).click();
  await expect(record(page).nth(0)).toContainText('a reaction from');
  const change = ((await record(page).nth(0).locator('p').first().innerText()).split(': ').at(-1) ?? '').trim();

  // The athlete sees what changed and why, trains on it, and then it can no longer be taken back.
  const phone = await athlete(browser, name.toLowerCase().replaceAll(' ', '.'));
  await expect(phone.getByText('New today:').locator('..')).toContainText(change);
  await expect(phone.getByText('New today:').locator('..')).toContainText('settled on this dose');
});

test('a stop is cleared, a stage advanced by hand with a reason, and a flare planned', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Review Fenn Harrow' }).click();
  await page.getByRole('button', { name: 'Review the stop …' }).click();
  await page.getByLabel('Reason, for the record').fill('Seen: no swelling left');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).first()).toContainText('Seen: no swelling left');
  await expect(page.getByText('No loading until you have reviewed it')).toBeHidden();

  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Advance or go back by hand …' }).click();
  await page.getByRole('combobox', { name: 'Stage' }).click();
  await page.getByRole('option', { name: 'Springs' }).click();
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Reason is needed: say why, for the record.')).toBeVisible();
  await page.getByLabel('Reason, for the record').fill('Has landed well in rehearsal for weeks');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('img', { name: /Stage 3 of 4, Springs/ })).toBeVisible();
  await expect(record(page).first()).toContainText('Has landed well in rehearsal for weeks');

  await page.locator('body').press('f');
  const flare = page.getByRole('dialog', { name: 'Fenn Harrow: flare plan' });
  await expect(flare.getByRole('region', { name: 'What it would do' }).getByRole('listitem').first()).toContainText(
    'rests until',
  );
  await flare.getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).first()).toContainText('No loading until');
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('it has flared up');

  // What rests is marked wherever doses are shown, and can be asked for again by hand.
  await expect(
    page
      .getByRole('region', { name: 'In force' })
      .getByText(/^Rests until/)
      .first(),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Prescribe', exact: true }).click();
  await expect(
    page
      .getByRole('article')
      .getByText(/^Rests until/)
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'End the rest' }).click();
  await expect(page.getByLabel('What changes (the athlete reads it)')).toHaveValue('The rest is over');
  await page.getByRole('button', { name: 'Keep the rest' }).click();
  await expect(page.getByText('Nothing is changed yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the case' }).click();
  await record(page).first().getByRole('button', { name: 'Undo' }).click();
  await expect(record(page).first()).toContainText('Taken back: Flare plan:');
  await expect(page.getByText(/^Rests until/)).toHaveCount(0);
});

test('a session is pointed at, a criterion lights up its days, the schools part', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Greta Osei-Vane' }).click();
  const sessions = page.getByRole('region', { name: 'Sessions' });
  await expect(sessions.getByRole('table')).toContainText('of 10');
  const day = sessions.locator('b').first();
  const last = await day.innerText();
  await sessions.getByRole('slider').focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(day).not.toHaveText(last);
  await sessions.getByRole('button', { name: 'All' }).click();
  await expect(sessions.getByRole('slider')).toHaveAttribute('aria-label', /\d\d sessions/);

  const lit = sessions.locator('svg rect[fill-opacity="0.16"]');
  await expect(lit).toHaveCount(0);
  await page.getByRole('region', { name: 'Gate' }).getByRole('button').first().focus();
  await expect(lit).not.toHaveCount(0);
  await page.getByRole('button', { name: 'Ask every school' }).click();
  await expect(page.getByRole('region', { name: 'Second opinions' })).toContainText('Where they differ');
});

test('a silent athlete is nudged from the Round', async ({ page }) => {
  await practitioner(page);
  const line = page.getByRole('region', { name: 'Silent' }).getByRole('article', { name: 'Dario Pell' });
  await line.getByRole('button', { name: 'Nudge Dario Pell' }).click();
  await expect(page.getByLabel('Message')).toHaveValue(/^Hello Dario/);
  await page.getByRole('dialog').getByRole('button', { name: 'Send' }).click();
  await expect(line).toContainText('nudged 0 min ago');
  await page.getByRole('button', { name: 'Event this week' }).click();
  await page.getByLabel('Structure').click();
  await page.getByRole('option', { name: 'Achilles midportion' }).click();
  await expect(page.getByRole('article')).toHaveCount(1);
});

test('a page that breaks says so, and the others go on', async ({ page }) => {
  await practitioner(page);
  await page.route('**/api/library', (route) => route.fulfill({ json: { exercises: null } }));
  await page.getByRole('link', { name: 'Library' }).click();
  await expect(page.getByText('This page could not be shown.')).toBeVisible();
  await page.unroute('**/api/library');
  await page.getByRole('link', { name: 'Round' }).click();
  await expect(page.getByRole('article').first()).toBeVisible();
});

test('signing out takes everything of a person away at once, in every tab, and somebody else sees nothing of it', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Ines Calloway' }).click();
  await expect(page.getByRole('heading', { name: 'Ines Calloway' })).toBeVisible();
  const other = await page.context().newPage();
  await other.goto('/');
  await other.getByRole('link', { name: 'Open Fenn Harrow' }).click();
  await expect(other.getByRole('heading', { name: 'Fenn Harrow' })).toBeVisible();
  // However long the server takes, nothing is shown from the press on.
  await page.route('**/api/session', async (route) => {
    if (route.request().method() === 'DELETE') await new Promise((go) => setTimeout(go, 3_000));
    return route.continue();
  });
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByText('Ines Calloway')).toBeHidden({ timeout: 500 });
  await expect(page.getByLabel('E-mail address')).toBeVisible();
  await expect(other.getByLabel('E-mail address')).toBeVisible({ timeout: 2_000 });
  await expect(other.getByText('Fenn Harrow')).toHaveCount(0);
  expect(new URL(page.url()).pathname).toBe('/');
  await page.getByLabel('E-mail address').fill(address('ren.castellan'));
  await page.getByLabel('Password').fill(process.env.DEMO_PASSWORD ?? '');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
  await expect(page.getByText('Ola Vance', { exact: true })).toBeHidden();
});

test('where the sign-in runs out the page behind is hidden, and somebody else begins at the Round', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Ines Calloway' }).click();
  await expect(page.getByRole('heading', { name: 'Ines Calloway' })).toBeVisible();
  // An answer that is still on its way would bring the sign-in back.
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('table')).toBeVisible();
  await page.context().clearCookies();
  const again = page.getByRole('dialog', { name: 'Your sign-in has run out' });
  await expect(again).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Ines Calloway').first()).toBeHidden();
  await again.getByLabel('E-mail address').fill(address('ren.castellan'));
  await again.getByLabel('Password').fill(process.env.DEMO_PASSWORD ?? '');
  await again.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
});

test('a case is closed with a reason, found among the closed ones, and opened again a step lower', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Greta Osei-Vane' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Close the case …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Close the case' });
  await expect(dialog).toContainText('The athlete is asked for nothing more');
  await dialog.getByLabel('How it ends').click();
  await page.getByRole('option', { name: /^Refer/ }).click();
  await dialog.getByLabel('Reason').fill('Pain that nothing explains');
  await dialog.getByRole('button', { name: 'Close the case' }).click();
  await expect(dialog.getByText(/say to whom/)).toBeVisible();
  await expect(dialog.getByLabel('Reason')).toHaveValue('Pain that nothing explains');
  await dialog.getByLabel('To whom').fill('the hand clinic');
  await dialog.getByRole('button', { name: 'Close the case' }).click();
  await expect(page.getByText('This case was closed today.')).toBeVisible();
  await page.getByRole('link', { name: 'Closed cases' }).click();
  await page.getByLabel('Search').fill('greta');
  const line = page.getByRole('article', { name: 'Greta Osei-Vane' });
  await expect(line).toContainText('Closed: referred to the hand clinic, by Ola Vance');
  await expectAccessible(page);
  await line.getByRole('link', { name: 'Greta Osei-Vane' }).click();
  await page.getByRole('button', { name: 'Open again …' }).click();
  await page.getByRole('dialog').getByLabel('Reason').fill('It hurts again');
  await page.getByRole('dialog').getByRole('button', { name: 'Open again', exact: true }).click();
  await expect(record(page).first()).toContainText('Reopened, one step lower');
});

test('what intake says is put up to date on the case, and what it said before stays', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
  await page.getByRole('link', { name: 'Intake' }).click();
  await expectAccessible(page);
  await page.getByLabel('Occupation').fill('Teaches children');
  await page.getByLabel('Body mass, kg').fill('7');
  const kept = page.getByText('A way back to sport that stands in the plan stays as it is.');
  await expect(kept).toBeHidden();
  const goal = page.getByRole('combobox', { name: 'Must get back to' });
  const goalBefore = await goal.innerText();
  await goal.click();
  await page.getByRole('option', { name: 'throwing' }).click();
  await expect(kept).toBeVisible();
  await goal.click();
  await page.getByRole('option', { name: goalBefore, exact: true }).click();
  await expect(kept).toBeHidden();
  await page.getByRole('button', { name: 'Add advice' }).click();
  await page.getByLabel('Advice 1', { exact: true }).fill('Stairs one at a time');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Body mass must be from 20 to 300.').first()).toBeVisible();
  await expect(page.getByLabel('Occupation')).toHaveValue('Teaches children');
  await page.getByLabel('Body mass, kg').fill('70,5');
  await page.getByRole('button', { name: 'Save' }).click();
  const before = page.getByRole('region', { name: 'What it said before' });
  await expect(before).toContainText('Occupation: nothing → Teaches children');
  await expect(before).toContainText('→ 70.5');
  await page.getByRole('link', { name: 'Back to the case' }).click();
  await expect(page.getByText(/advised: .*stairs one at a time/)).toBeVisible();
  await expect(record(page).first()).toContainText('Occupation: nothing → Teaches children');
});

test('somebody else changes the intake meanwhile: the screen says so, and what is typed stays', async ({
  page,
  context,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByLabel('Occupation').fill('Rigger');
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByLabel('Medicines').fill('None');
  await other.getByRole('button', { name: 'Save' }).click();
  const before = page.getByRole('region', { name: 'What it said before' });
  await expect(other.getByRole('region', { name: 'What it said before' })).toContainText('Medicines: nothing → None');

  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('Somebody else has changed the intake meanwhile.');
  await expect(before).toContainText('Medicines: nothing → None');
  await expect(page.getByLabel('Occupation')).toHaveValue('Rigger');
  await page.getByLabel('Medicines').fill('None');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(before).toContainText('Occupation: nothing → Rigger');
});
