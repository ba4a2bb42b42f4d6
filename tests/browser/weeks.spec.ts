import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, practitioner } from './people';

test('a session is moved by keys, what breaks is shown first, the athlete gets a message, and it is taken back', async ({
  page,
  browser,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await expect(page.getByRole('heading', { name: 'Edda Moorgate: weeks' })).toBeVisible();
  await expect(page.getByRole('status')).toContainText('Every rule is kept');
  await expectAccessible(page);

  // The third session from today on, a day later: it meets what stands there.
  const open = page
    .getByRole('table', { name: 'Weeks' })
    .getByRole('button', { name: /^(Holds|Slow strength), /, disabled: false });
  const name = (await open.nth(2).getAttribute('aria-label')) ?? '';
  await open.nth(2).focus();
  await page.keyboard.press('ArrowRight');
  const panel = page.getByRole('region', { name: 'What breaks' });
  await expect(panel.getByText(/^▲/).first()).toBeVisible();
  await expect(panel.getByRole('heading', { name: 'If you put it there' })).toBeVisible();
  await expect(page.getByRole('button', { name: `from ${name.split(', ')[1] ?? ''}` })).toBeVisible();
  await expectAccessible(page);
  // Back where it stood nothing is broken and nothing is a move.
  await page.getByRole('button', { name: `from ${name.split(', ')[1] ?? ''}` }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(panel.getByRole('heading', { name: 'As it stands' })).toBeVisible();
  await expect(page.getByRole('status')).toContainText('Every rule is kept');

  await page.getByRole('button', { name, exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await panel.getByLabel('Why (may be left empty)').fill('Travels on that day');
  await panel.getByRole('button', { name: 'Put it there, and tell the athlete' }).click();
  await expect(panel.getByText(/The athlete gets a message/)).toBeVisible();
  await expect(panel.getByText(/^▲/).first()).toBeVisible();

  const phone = await athlete(browser, 'edda.moorgate');
  await expect(phone.getByText(/Moved: .* to /).first()).toBeVisible();

  // What is broken now is repaired by the fewest moves, or the screen says that it cannot be.
  await panel.getByRole('button', { name: 'Find the fewest moves that fix it' }).click();
  await expect(
    panel
      .getByRole('heading', { name: 'Moves' })
      .or(panel.getByText(/No day was found/))
      .first(),
  ).toBeVisible();

  await page.getByRole('link', { name: 'Back to the case' }).click();
  const line = page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first();
  await expect(line).toContainText('Moved: ');
  await expect(line).toContainText('Travels on that day');
  // After the page was left, the first press says what would be taken back.
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'Undo (u)' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first()).toContainText(
    'Taken back: Moved: ',
  );
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await expect(page.getByRole('status')).toContainText('Every rule is kept');
});

test('a week is made lighter, a season is pasted, and the sums and the calendar follow before anything is in force', async ({
  page,
  browser,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  const table = page.getByRole('table', { name: 'Weeks' });
  const panel = page.getByRole('region', { name: 'What breaks' });

  // Left out by keys, and back again.
  const next = table.getByRole('row').nth(3);
  const session = next.getByRole('button', { name: /^(Holds|Slow strength), / }).first();
  await session.focus();
  await page.keyboard.press('Delete');
  await expect(panel.getByText('→ left out')).toBeVisible();
  await expect(session).toHaveAccessibleName(/, left out$/);
  await page.keyboard.press('Delete');
  await expect(panel.getByRole('heading', { name: 'As it stands' })).toBeVisible();

  // Done once more: it stands beside itself, and what it breaks is said.
  await session.click();
  await panel.getByRole('button', { name: 'Do it once more, the day after' }).click();
  await expect(panel.getByText(/ once more → /)).toBeVisible();
  await expect(panel.getByRole('button', { name: 'Do it once more, and tell the athlete' })).toBeVisible();
  await panel.getByRole('button', { name: 'Leave all as it was' }).click();
  await expect(panel.getByRole('heading', { name: 'As it stands' })).toBeVisible();

  // A lighter week: what it amounts to is shown before it is in force.
  const lifted = next.getByText(/^Lifted/);
  const before = await lifted.textContent();
  await next.getByRole('button', { name: /^Lighter … week of/ }).click();
  await page.getByRole('menuitem', { name: 'Half …' }).click();
  await expect(panel.getByText('→ left out').first()).toBeVisible();
  await expect(lifted).not.toHaveText(before ?? '');
  await panel.getByRole('button', { name: /^Put \d changes in force, and tell the athlete$/ }).click();
  await expect(panel.getByText(/^Left out: /)).toBeVisible();
  // Half of what is left, and again, until one of each kind stays: then it is said.
  await next.getByRole('button', { name: /^Lighter … week of/ }).click();
  await page.getByRole('menuitem', { name: 'Half …' }).click();
  await expect(panel.getByText('→ left out').first()).toBeVisible();
  await panel.getByRole('button', { name: /, and tell the athlete$/ }).click();
  await expect(panel.getByText(/^Left out: /)).toBeVisible();
  await next.getByRole('button', { name: /^Lighter … week of/ }).click();
  await page.getByRole('menuitem', { name: 'A third lighter …' }).click();
  await expect(panel.getByText('Nothing more can be left out of this week')).toBeVisible();

  // A session and all after it by a day, with touch or pointer alone; then left as it was.
  await table
    .getByRole('row')
    .nth(4)
    .getByRole('button', { name: /^(Holds|Slow strength), / })
    .first()
    .click();
  await panel.getByRole('button', { name: 'It and all after: a day later' }).click();
  expect(await panel.getByText(/ → /).count()).toBeGreaterThan(8);
  await panel.getByRole('button', { name: 'Leave all as it was' }).click();
  await table
    .getByRole('row')
    .nth(4)
    .getByRole('button', { name: /^(Holds|Slow strength), / })
    .first()
    .click();
  // All that stands on either day goes along, work beside the stage too.
  await panel.getByRole('button', { name: 'Swap its day with the next' }).click();
  await expect.poll(() => panel.getByText(/ → /).count()).toBeGreaterThan(1);
  await panel.getByRole('button', { name: 'Leave all as it was' }).click();

  // A day by its date, one without a show; and a season as text.
  const plain = next.getByRole('button', { name: /^\d+ \w+ ?: what kind of day$/ });
  await plain.first().click();
  await page.getByRole('menuitem', { name: 'No training' }).click();
  await expect(panel.getByText(/^Calendar: no training on /)).toBeVisible();
  // Sport beside the plan, every week.
  await plain.nth(1).click();
  await page.getByRole('menuitem', { name: 'Practice beside the plan …' }).click();
  const practice = page.getByRole('dialog', { name: /^Practice on / });
  await practice.getByLabel('What (practice, rehearsal, show)').fill('Rehearsal');
  await practice.getByLabel('Minutes').fill('90');
  await practice.getByRole('button', { name: 'Look at the weeks with it' }).click();
  await expect(practice.getByText('A whole number from 0 to 10')).toBeVisible();
  await practice.getByLabel('Expected effort, 0–10').fill('6');
  await practice.getByRole('button', { name: 'Look at the weeks with it' }).click();
  await expect(panel.getByText(/Rehearsal, 90 min at an effort of 6, on /)).toBeVisible();
  await expect(next.getByText('◇ Rehearsal 90 min, effort 6')).toBeVisible();
  await page.getByRole('button', { name: 'Shows, days off …' }).click();
  const dialog = page.getByRole('dialog');
  const later = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
  await dialog.getByLabel('Days, one or a span on each line').fill(`${later} gala\nsoon`);
  await dialog.getByRole('button', { name: 'Read the days' }).click();
  await expect(dialog.getByText('Line 2, “soon”: begins with no day.')).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Look at the weeks with this day' }).click();
  await expect(panel.getByText(/^Calendar: show on .*; no training on /)).toBeVisible();
  await expect(next.getByText(/no training/).first()).toBeVisible();
  await panel.getByRole('button', { name: 'Mark the days, and tell the athlete' }).click();
  await expect(panel.getByText(/^Calendar: show on /)).toBeVisible();
  await page.getByRole('button', { name: '12 weeks' }).click();
  await expect(table.getByRole('row')).toHaveCount(15);
  await expect(table.getByText(/ · show$/).last()).toBeVisible();
  await expectAccessible(page);

  // Backwards from a day.
  const ready = page.getByRole('region', { name: 'Ready by' });
  await ready.getByLabel('Day').fill(new Date(Date.now() + 300 * 86_400_000).toISOString().slice(0, 10));
  await ready.getByRole('button', { name: 'Work it out' }).click();
  await expect(ready.getByText(/ must begin by .* As things stand it begins /).first()).toBeVisible();
  await expect(ready.getByText(/^✓ Ready between /)).toBeVisible();
  await ready.getByLabel('Day').fill('2020-01-01');
  await ready.getByRole('button', { name: 'Work it out' }).click();
  await expect(ready.getByText(/from tomorrow to 400 days ahead/)).toBeVisible();

  const phone = await athlete(browser, 'juno.tamsin');
  await expect(phone.getByText(/Your calendar: show on /).first()).toBeVisible();
});

test('an athlete puts a session on another day, and asks for one that breaks a rule', async ({ page, browser }) => {
  // One is left out at the desk, so that its day is free.
  await practitioner(page);
  await page.getByRole('link', { name: 'Caseload' }).click();
  await page.getByRole('link', { name: 'Edda Moorgate' }).first().click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await page
    .getByRole('table', { name: 'Weeks' })
    .getByRole('button', { name: /^(Holds between|Slow strength), \w{3} \d+ \w{3}$/, disabled: false })
    .nth(2)
    .focus();
  await page.keyboard.press('Delete');
  await page.getByRole('button', { name: 'Leave it out, and tell the athlete' }).click();
  await expect(page.getByText(/^Left out: .* The athlete gets a message/)).toBeVisible();

  const phone = await athlete(browser, 'edda.moorgate');
  const days = phone.getByRole('region', { name: 'The next days' });
  const other = days.getByRole('button', { name: /^Another day for / });
  await days.getByRole('button', { name: 'I cannot on one of these days' }).click();
  await other.nth(1).click();
  const choice = days.getByRole('region', { name: /^Another day for / });
  await expect(choice.getByText(/^(These days fit:|No other day fits by itself.)$/)).toBeVisible();
  await choice.getByRole('button', { name: 'None of them: ask for another' }).click();
  const broken = choice.getByRole('button', { name: /\.$/ }).first();
  await broken.click();
  await choice.getByLabel('Why (may be left empty)').fill('Rehearsal');
  await expectAccessible(phone);
  await choice.getByRole('button', { name: /^Ask for / }).click();
  await expect(days.getByText(/: asked for .* It stays where it is until your practitioner answers\.$/)).toBeVisible();
  await days.getByRole('button', { name: 'I cannot on one of these days' }).click();

  await other.nth(1).click();
  const fits = choice.getByRole('button', { name: /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) \d+ \w+$/ }).first();
  const day = (await fits.textContent()) ?? '';
  await fits.click();
  await choice.getByRole('button', { name: `Move it to ${day}` }).click();
  await expect(days.getByText(new RegExp(`: moved to ${day}\\.$`))).toBeVisible();

  await page.getByRole('link', { name: 'Messages' }).click();
  await expect(page.getByText(/Asks for another day: .*“Rehearsal” What speaks against it: /).first()).toBeVisible();
  await page.getByRole('link', { name: 'Caseload' }).click();
  await page.getByRole('link', { name: 'Edda Moorgate' }).first().click();
  await expect(page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first()).toContainText(
    'Moved by the athlete: ',
  );
});

test('under a stop the weeks wait for the review, and nothing is worked out or moved', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Fenn Harrow' }).click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  const table = page.getByRole('table', { name: 'Weeks' });
  await expect(table.getByRole('button', { name: /, waits for a review$/ }).first()).toBeDisabled();
  await expect(table.getByRole('button', { name: /^(Holds|Slow strength), /, disabled: false })).toHaveCount(0);
  await expect(page.getByRole('status')).toHaveText(/What is planned waits for your review/);
  await expect(page.getByRole('status')).not.toContainText('Every rule is kept');
  await expect(page.getByRole('region', { name: 'Ready by' })).toBeHidden();
  await expect(table.getByRole('button', { name: /^Lighter/ })).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole('link', { name: 'To the case', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Fenn Harrow/ })).toBeVisible();
});
