import { expect, type Page, test } from '@playwright/test';

import type { Schemas } from '../../web/api/client';
import { COUNT_IN_S, repsDone, timelineOf } from '../../web/pacer/timeline';
import { athlete, expectAccessible, practitioner } from './people';

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

  await page.getByRole('link', { name: `Open ${name}` }).click();
  await expect(record(page).nth(0)).toContainText('Progress:');
  await expect(record(page).nth(1)).toContainText('Taken back: Progress:');
  await expect(record(page).nth(2)).toContainText('Taken back since.');
  await record(page).nth(0).getByRole('button', { name: 'Evidence as it was' }).click();
  await expect(record(page).nth(0)).toContainText('a reaction from');
  const change = ((await record(page).nth(0).locator('p').first().innerText()).split(': ').at(-1) ?? '').trim();

  // The athlete sees what changed and why, trains on it, and then it can no longer be taken back.
  const phone = await athlete(browser, name.toLowerCase().replaceAll(' ', '.'));
  await expect(phone.getByText('New today:').locator('..')).toContainText(change);
  await expect(phone.getByText('New today:').locator('..')).toContainText('settled on this dose');
});

test('an ease is changed on the Prescribe screen: a tempo edited, sums live, faults at their field, a version saved', async ({ page, context }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Change for Basil Thorne' }).click();
  await expect(page.getByText('Begun with what is proposed.')).toBeVisible();
  const rows = page.getByRole('article');
  const sums = page.getByRole('region', { name: 'Sums' });
  await expect(sums.getByText('up to date')).toBeVisible();
  const note = page.getByLabel('What changes (the athlete reads it)');
  await expect(note).toHaveValue(/→/);

  // Back to what is in force, then one tempo.
  await page.getByRole('link', { name: 'Back to the case' }).click();
  await page.getByRole('link', { name: 'Prescribe', exact: true }).click();
  await expect(page.getByText('Nothing is changed yet.')).toBeVisible();
  const press = rows.filter({ hasText: 'Leg press, one leg' });
  const before = await press.getByText('under tension').innerText();
  await press.getByRole('button', { name: 'Edit Leg press, one leg' }).click();
  await press.getByLabel('Lower, s').fill('5');
  await expect(press.getByText('Changed: Leg press, one leg: lower 3 → 5 s')).toBeVisible();
  await expect(sums.getByText('up to date')).toBeVisible();
  await expect(press.getByText('under tension')).not.toHaveText(before);
  await expect(note).toHaveValue(/lower 3 → 5 s/);

  // A fault is told at its field, stale sums are not shown as fresh, and nothing is lost by a reload.
  await press.getByLabel('Sets').fill('21');
  await expect(press.getByText('Sets must be from 1 to 20.')).toBeVisible();
  await expect(sums.getByText('not worked out: mend the marked field')).toBeVisible();
  await press.getByLabel('Sets').fill('3');
  await expect(sums.getByText('up to date')).toBeVisible();
  await page.reload();
  await expect(page.getByText('What you had begun is here again.')).toBeVisible();
  await expect(note).toHaveValue(/lower 3 → 5 s/);

  // Another rung in place, one more from the library, and taken out again.
  await page.getByRole('button', { name: 'Another rung for Leg press, one leg' }).click();
  await expect(page.getByRole('dialog')).toContainText('Over the rung below:');
  await page.getByRole('button', { name: 'Keep Leg press, one leg' }).click();
  await page.getByRole('button', { name: 'Add from the library' }).click();
  const drawer = page.getByRole('dialog', { name: 'Library' });
  await drawer.getByLabel('Search').fill('wall sit');
  await drawer.getByRole('button', { name: 'Add Wall sit, high' }).click();
  await expect(note).toHaveValue(/Added: Wall sit, high/);
  await page.getByRole('button', { name: 'Leave out Wall sit, high' }).click();
  await expect(note).not.toHaveValue(/Wall sit/);

  await page.getByRole('button', { name: /^Save as version/ }).click();
  await expect(page.getByText('Why is needed: say why, for the record and the athlete.')).toBeVisible();
  await page.getByLabel('Why (for the record, and the athlete)').fill('Slower, so that it is felt where it should');

  // An expired sign-in is asked for again over the page; what was typed stands.
  await context.clearCookies();
  await page.getByRole('button', { name: /^Save as version/ }).click();
  const again = page.getByRole('dialog', { name: 'Your sign-in has run out' });
  await again.getByLabel('E-mail address').fill('ola.vance@ropewalk.example');
  await again.getByLabel('Password').fill(process.env.DEMO_PASSWORD ?? '');
  await again.getByRole('button', { name: 'Sign in' }).click();
  await expect(again).toBeHidden();
  await page.getByRole('button', { name: /^Save as version/ }).click();
  await expect(page.getByRole('heading', { name: 'Basil Thorne' })).toBeVisible();
  await expect(record(page).first()).toContainText('lower 3 → 5 s');
  await expect(record(page).first()).toContainText('Slower, so that it is felt where it should');
  await expect(page.getByRole('region', { name: 'In force' })).toContainText('lower 5 s');
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
  await flare.getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).first()).toContainText('No loading until');
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('it has flared up');

  // What rests is told wherever doses stand, and can be asked for again by hand.
  await expect(page.getByRole('region', { name: 'In force' }).getByText(/^Rests until/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Prescribe', exact: true }).click();
  await expect(page.getByRole('article').getByText(/^Rests until/).first()).toBeVisible();
  await page.getByRole('button', { name: 'End the rest' }).click();
  await expect(page.getByLabel('What changes (the athlete reads it)')).toHaveValue('The rest is over');
  await page.getByRole('button', { name: 'Keep the rest' }).click();
  await expect(page.getByText('Nothing is changed yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the case' }).click();
  await record(page).first().getByRole('button', { name: 'Undo' }).click();
  await expect(record(page).first()).toContainText('Taken back: Flare plan:');
  await expect(page.getByText(/^Rests until/)).toHaveCount(0);
});

test('the pacer takes as long over every set in force as the core says', async ({ page }) => {
  await practitioner(page);
  const round = (await (await page.request.get('/api/round')).json()) as Schemas['Round'];
  let paced = 0;
  for (const { id } of round.cases) {
    const found = (await (await page.request.get(`/api/cases/${id}`)).json()) as Schemas['Case'];
    for (const { title, dose, mode, figures } of found.prescriptions) {
      const line = timelineOf(dose, mode);
      if (line === null || figures.set_s === null) continue;
      // Between short holds the pacer lets go for two seconds; the core counts the holds alone.
      const between = mode === 'isometric' ? 2 * (dose.reps - 1) : 0;
      expect(line.length - COUNT_IN_S - between, title).toBeCloseTo(figures.set_s, 6);
      expect(repsDone(line, line.length), title).toBe(dose.work_s === undefined || dose.tempo !== undefined || mode === 'isometric' ? dose.reps : 1);
      paced += 1;
    }
  }
  expect(paced).toBeGreaterThan(15);
});

test('an exercise is copied from another case, with the dose that stands there', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Tobias Fenwick' }).click();
  await page.getByRole('link', { name: 'Prescribe', exact: true }).click();
  await expect(page.getByText('Nothing is changed yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Copy from another case' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy from another case' });
  await dialog.getByLabel('Cases of the kneecap tendon').click();
  await page.getByRole('option', { name: 'Edda Moorgate, right' }).click();
  const boxes = dialog.getByRole('checkbox');
  await expect(boxes.first()).toBeChecked();
  const words = await boxes.first().locator('xpath=ancestor::label').innerText();
  while ((await boxes.and(page.locator(':checked')).count()) > 1) await boxes.and(page.locator(':checked')).last().uncheck();
  await dialog.getByRole('button', { name: 'Copy 1' }).click();
  await expect(page.getByLabel('What changes (the athlete reads it)')).toHaveValue(`Added: ${words}`);
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
  await expect(page.getByRole('region', { name: 'Second opinions' })).toContainText('Where they part');
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

test('a corridor is added to a dose, with how it grows', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Ines Calloway' }).first().click();
  await page.getByRole('link', { name: 'Prescribe', exact: true }).click();
  const row = page.getByRole('article').first();
  await row.getByRole('button', { name: 'Edit' }).click();
  const add = async (field: string) => {
    await row.getByRole('combobox', { name: 'Add a field' }).click();
    await page.getByRole('option', { name: field, exact: true }).click();
  };
  await add('Height, cm');
  await expect(row.getByLabel('Height, cm')).toHaveValue('10');
  await expect(row).toContainText('height none → 10 cm');
  // One upper end a dose: whichever this one has or gets, no second is offered.
  const upper = row.getByLabel(/up to/);
  if (await upper.count() === 0) await add('Reps up to');
  await expect(upper).toHaveCount(1);
  await row.getByRole('combobox', { name: 'Add a field' }).click();
  await expect(page.getByRole('option', { name: /up to/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await upper.fill('0');
  await expect(row.getByText(/must be|Must be/).first()).toBeVisible();
});

test('another stage is looked at dose by dose before it is entered', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Edda Moorgate' }).first().click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('Advance or go back by hand').click();
  await page.getByRole('combobox', { name: 'Stage' }).click();
  await page.getByRole('option', { name: 'Springs' }).click();
  const doses = page.getByRole('region', { name: 'Doses of Springs' });
  await expect(doses.getByRole('listitem').filter({ hasText: 'Squat jump' })).toContainText('new');
  await expect(doses.getByRole('listitem').filter({ hasText: 'Leg press' })).toContainText(/4 × 15.* → 4 × 8 at \d+ kg/s);
  await expect(doses).toContainText('No more: Leg extension, one leg');
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

test('signing out takes everything of a person away at once, in every tab, and somebody else sees nothing of it', async ({ page }) => {
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
  await page.getByLabel('E-mail address').fill('ren.castellan@ropewalk.example');
  await page.getByLabel('Password').fill(process.env.DEMO_PASSWORD ?? '');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
  await expect(page.getByText('Ola Vance', { exact: true })).toBeHidden();
});

test('where the sign-in runs out the page behind is hidden, and somebody else begins at the Round', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Ines Calloway' }).click();
  await expect(page.getByRole('heading', { name: 'Ines Calloway' })).toBeVisible();
  // An answer that is still on its way would bring the sign-in back.
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('table')).toBeVisible();
  await page.context().clearCookies();
  const again = page.getByRole('dialog', { name: 'Your sign-in has run out' });
  await expect(again).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Ines Calloway').first()).toBeHidden();
  await again.getByLabel('E-mail address').fill('ren.castellan@ropewalk.example');
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
  await expect(dialog).toContainText('Nothing is asked of the athlete any more');
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
