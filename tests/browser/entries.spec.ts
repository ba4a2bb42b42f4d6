import { expect, test } from '@playwright/test';

import { expectAccessible, practitioner } from './people';

test('mornings and a session come from paper by keyboard, and a wrong one is put right and struck out', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^Entries/ }).click();
  const form = page.getByRole('region', { name: 'Enter for the athlete' });
  const list = page.getByRole('region', { name: 'What was entered' });
  await expectAccessible(page);

  // Three mornings in a row, never touching the mouse.
  const first = new Date(Date.now() - 6 * 86_400_000).toISOString().slice(0, 10);
  await form.getByLabel('Morning of').fill(first);
  await form.getByLabel('Test, 0 to 10').fill('x');
  await expect(form.getByText('A whole number from 0 to 10.')).toBeVisible();
  for (const score of ['2', '3', '1']) {
    await form.getByLabel('Test, 0 to 10').fill(score);
    await page.keyboard.press('Enter');
    await expect(form.getByRole('status')).toContainText(`${score} of 10`);
    await expect(form.getByLabel('Test, 0 to 10')).toHaveValue('');
    await expect(form.getByLabel('Test, 0 to 10')).toBeFocused();
  }
  await expect(form.getByLabel('Morning of')).not.toHaveValue(first);
  await expect(list.getByRole('listitem').filter({ hasText: 'entered by Ola Vance' })).toHaveCount(3);

  // A sign reported by telephone stops the case, and the screen says so.
  await form.getByRole('button', { name: 'Something else was reported …' }).click();
  await form.getByLabel('Swelling').check();
  await expect(form.getByRole('button', { name: 'Keep' })).toBeEnabled();
  await expect(form.getByRole('alert')).toContainText('no loading until you have reviewed it');
  await form.getByLabel('Swelling').uncheck();
  await expect(form.getByRole('button', { name: 'Keep' })).toBeDisabled();

  // A session that was not planned: what is missing is said, nothing is made up.
  await form.getByRole('button', { name: 'A session' }).click();
  await form.getByLabel('Which session').click();
  await page.getByRole('option', { name: 'One that was not planned' }).click();
  const keep = form.getByRole('button', { name: 'Keep the session' });
  await expect(keep).toBeDisabled();
  await form.getByLabel('On', { exact: true }).fill(new Date(Date.now() - 86_400_000).toISOString().slice(0, 10));
  for (const pain of await form.getByLabel(/, Pain, 0 to 10$/).all()) await pain.fill('2');
  await form
    .getByLabel(/, Sets done$/)
    .first()
    .fill('2');
  await keep.click();
  await expect(form.getByRole('status')).toContainText('Kept:');
  await expect(list.getByRole('listitem').filter({ hasText: 'entered by Ola Vance' })).toHaveCount(4);

  // Tests and scores of another day, by keyboard too.
  await form.getByRole('button', { name: 'Tests and scores' }).click();
  await form.getByLabel('Measured on').fill(first);
  const score = form.getByRole('form', { name: 'Severity score' });
  await score.getByLabel('Both together').fill('55');
  await page.keyboard.press('Enter');
  await expect(score.getByRole('status')).toContainText(': 55');
  await expect(list.getByRole('listitem').filter({ hasText: 'Severity score: 55' })).toHaveCount(1);

  // The last of the mornings was another's.
  const wrong = list.getByRole('listitem').filter({ hasText: '1 of 10' }).filter({ hasText: 'entered by Ola Vance' });
  await wrong.getByRole('button').click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Test, 0 to 10').fill('5');
  await dialog.getByRole('button', { name: 'Put right' }).click();
  await expect(dialog.getByText(/say what was wrong/)).toBeVisible();
  await expectAccessible(page);
  await dialog.getByLabel('What was wrong, for the record').fill('Read from the wrong line of the paper');
  await dialog.getByRole('button', { name: 'Put right' }).click();
  await expect(dialog).toBeHidden();
  const right = list.getByRole('listitem').filter({ hasText: '5 of 10' }).filter({ hasText: 'entered by Ola Vance' });
  await right.getByRole('button').click();
  await dialog.getByLabel('What was wrong, for the record').fill('It was another athlete altogether');
  await dialog.getByRole('button', { name: 'Strike it out' }).click();
  await expect(right).toHaveCount(0);
  await expect(list.getByRole('list', { name: 'Put right or struck out' })).toContainText(
    'struck out; the test was 5 of 10',
  );

  // A note is struck out and stays to be read.
  await page.getByRole('link', { name: 'Back to the case' }).click();
  const record = page.getByRole('region', { name: 'Record of decisions' });
  await record.getByRole('button', { name: 'Add a note …' }).click();
  await page.getByRole('dialog').getByLabel('Note').fill('Seen with the coach');
  await page.getByRole('dialog').getByRole('button', { name: 'Write down' }).click();
  await record.getByRole('button', { name: 'Strike out …' }).first().click();
  await record.getByLabel('What was wrong, for the record').fill('That was the other Edda');
  await record.getByRole('button', { name: 'Strike out', exact: true }).click();
  await expect(record.getByRole('listitem').first()).toContainText('Struck out by Ola Vance: That was the other Edda');
  await expect(record.getByRole('listitem').first()).toContainText('Seen with the coach');
});

test('two weeks of a paper log are typed like a table, and what is refused stays on its line', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Dario Pell' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^Entries/ }).click();
  await page.getByRole('button', { name: 'Two weeks on paper' }).click();
  const grid = page.getByRole('table', { name: 'Paper log' });
  const list = page.getByRole('region', { name: 'What was entered' });
  const rows = grid.getByRole('row').filter({ has: page.getByLabel(/, test$/) });
  await expect(rows.nth(1)).toBeVisible();
  await expectAccessible(page);
  // Down a column by Enter, on by Tab.
  await rows
    .nth(0)
    .getByLabel(/, test$/)
    .fill('4');
  await page.keyboard.press('Enter');
  await expect(rows.nth(1).getByLabel(/, test$/)).toBeFocused();
  await page.keyboard.type('12');
  await expect(rows.nth(1)).toContainText('Test: a whole number from 0 to 10');
  const keep = page.getByRole('button', { name: /^Keep \d+ days?$/ });
  await expect(keep).toBeDisabled();
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('3');
  await page.keyboard.press('Tab');
  await page.keyboard.type('20');
  await rows
    .nth(1)
    .getByLabel(/, session$/)
    .selectOption({ index: 1 });
  await expect(rows.nth(1)).toContainText('Worst pain: a whole number from 0 to 10');
  await rows
    .nth(1)
    .getByLabel(/, worst pain$/)
    .fill('1');
  await expect(page.getByRole('button', { name: 'Keep 2 days' })).toBeEnabled();
  const before = await list.getByRole('listitem').filter({ hasText: 'entered by Ola Vance' }).count();
  await page.getByRole('button', { name: 'Keep 2 days' }).click();
  await expect(list.getByRole('listitem').filter({ hasText: 'entered by Ola Vance' })).toHaveCount(before + 3);
  await expect(grid).toContainText('answered: 4');
  await expect(grid).toContainText('answered: 3');
});

test('mornings come out of a spreadsheet: columns are matched, rows looked at, and all of it taken back', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^Entries/ }).click();
  await page.getByRole('button', { name: 'A spreadsheet' }).click();
  await expectAccessible(page);
  const today = (await page.evaluate(() => new Date())).toISOString().slice(0, 10);
  const form = page.getByRole('region', { name: 'Enter for the athlete' });

  // A name that nobody would guess is matched by hand; what is wrong with a row is shown at it, and nothing is taken in.
  await form.getByRole('textbox', { name: 'Sheet' }).fill(`When;How it was\n${today};12\n`);
  await form.getByRole('combobox', { name: 'Morning test, 0–10' }).click();
  await page.getByRole('option', { name: 'How it was' }).click();
  const rows = form.getByRole('table', { name: 'What the rows come to' });
  await expect(rows.getByText('The morning test must be from 0 to 10, and is 12.')).toBeVisible();
  await expect(form.getByRole('button', { name: /^Import/ })).toBeDisabled();

  await form.getByLabel('Sheet as a file').setInputFiles({
    name: 'mornings.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`Date,Morning test,Stiffness\n${today},2,5\n`),
  });
  await expect(rows.getByText(/^Morning of .*: 2 of 10, stiff for 5 min$/)).toBeVisible();
  await expectAccessible(page);
  await form.getByRole('button', { name: 'Import one entry' }).click();
  await expect(form.getByText('One entry was imported.')).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'What was entered' })
      .getByText(/entered by Ola Vance/)
      .first(),
  ).toBeVisible();

  await form.getByRole('button', { name: 'Take back' }).click();
  await expect(form.getByText(/· taken back$/)).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Put right or struck out' }).getByText('the sheet it came in with was taken back'),
  ).toBeVisible();
});

test('the sets of a session come from a device, and a file that is none says so', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^Entries/ }).click();
  await page.getByRole('button', { name: 'A session' }).click();
  const form = page.getByRole('region', { name: 'Enter for the athlete' });
  await form.getByLabel('On', { exact: true }).fill(new Date(Date.now() - 86_400_000).toISOString().slice(0, 10));
  const title = (
    (await form
      .getByRole('button', { name: /: from a device$/ })
      .first()
      .getAttribute('aria-label')) ?? ''
  ).replace(': from a device', '');
  const first = form.getByRole('group', { name: title, exact: true });
  await first
    .getByLabel(`${title}: file of a device`)
    .setInputFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from('speed,power\n1,2\n') });
  await expect(first.getByRole('alert')).toContainText('a column reps, hold_s or work_s');
  await first.getByLabel(`${title}: file of a device`).setInputFiles({
    name: 'log.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('set,reps,load_kg\n1,9,12.5\n2,7,12.5\n'),
  });
  await expect(first.getByText('From a device: 9 at 12.5 kg · 7 at 12.5 kg')).toBeVisible();
  await first.getByRole('button', { name: `${title}: type instead` }).click();
  await first.getByRole('button', { name: `${title}: from a device` }).click();
  await page.getByRole('menuitem', { name: 'Simulated rep counter' }).click();
  await expect(first.getByText(/^Simulated rep counter: /)).toBeVisible();
  await expectAccessible(page);
  for (const pain of await form.getByRole('textbox', { name: /, Pain, 0 to 10$/ }).all()) await pain.fill('1');
  await form.getByRole('button', { name: 'Keep the session' }).click();
  await expect(form.getByRole('status')).toContainText('Kept: ');
});
