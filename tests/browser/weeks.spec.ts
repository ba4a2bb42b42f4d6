import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, practitioner } from './people';

test('a session is moved by keys, what breaks is said before, the athlete is told, and it is taken back', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await expect(page.getByRole('heading', { name: 'Edda Moorgate: weeks' })).toBeVisible();
  await expect(page.getByRole('status')).toContainText('Every rule is kept');
  await expectAccessible(page);

  // The third session from today on, a day later: it meets what stands there.
  const open = page.getByRole('table', { name: 'Weeks' }).getByRole('button', { disabled: false });
  const name = await open.nth(2).getAttribute('aria-label') ?? '';
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
  await expect(panel.getByText(/The athlete is told/)).toBeVisible();
  await expect(panel.getByText(/^▲/).first()).toBeVisible();

  const phone = await athlete(browser, 'edda.moorgate');
  await expect(phone.getByText(/Moved: .* to /).first()).toBeVisible();

  // What is broken now is mended by the fewest moves, or told that it cannot be.
  await panel.getByRole('button', { name: 'Find the fewest moves that mend it' }).click();
  await expect(panel.getByRole('heading', { name: 'Moves' }).or(panel.getByText(/No day was found/)).first()).toBeVisible();

  await page.getByRole('link', { name: 'Back to the case' }).click();
  const line = page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first();
  await expect(line).toContainText('Moved: ');
  await expect(line).toContainText('Travels on that day');
  // After the page was left, the first press says what would be taken back.
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'Undo (u)' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first()).toContainText('Taken back: Moved: ');
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await expect(page.getByRole('status')).toContainText('Every rule is kept');
});
