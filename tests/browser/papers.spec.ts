import { execFileSync } from 'node:child_process';

import { expect, test } from '@playwright/test';

import { expectAccessible, practitioner } from './people';

test('a letter is drafted from the record, written, agreed to, signed, and exported as a PDF', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('link', { name: 'Papers' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Draft: Letter to the referrer' }).click();
  const written = page.frameLocator('iframe');
  await expect(written.getByText('Draft, not signed')).toBeVisible();
  await expect(written.getByRole('img', { name: /^The morning test from / })).toBeVisible();
  await expectAccessible(page);
  const alone = await page.context().newPage();
  await alone.setContent((await page.locator('iframe').getAttribute('srcdoc')) ?? '');
  await expectAccessible(alone);
  await alone.close();

  // What is typed is on the page beside it before it is saved.
  await page.getByRole('textbox', { name: 'What is asked' }).fill('Please see Juno in March.');
  await expect(written.getByText('Please see Juno in March.')).toBeVisible();
  await page.getByRole('checkbox', { name: 'The course (drawn from the record)' }).uncheck();
  await expect(written.getByRole('img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Draft, version 2')).toBeVisible();

  // It says whom it goes to before it is signed, and its field says so.
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText('To must say whom it goes to before it is signed.')).toBeVisible();
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('Dr. Petra Lindqvist');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText(/^Signed by Ola Vance on .*, version 3$/)).toBeVisible();
  await expect(written.getByText('Draft, not signed')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Make the PDF' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Print' })).toHaveCount(0);

  await page.getByRole('button', { name: 'Record the agreement …' }).click();
  const agreed = page.getByRole('dialog', { name: 'The athlete agrees' });
  await expectAccessible(page);
  await agreed.getByRole('textbox', { name: 'Who agreed' }).fill('');
  await agreed.getByRole('button', { name: 'Record' }).click();
  await expect(agreed.getByText('Say who agreed: the athlete, or whoever speaks for them.')).toBeVisible();
  await agreed.getByRole('textbox', { name: 'Who agreed' }).fill('Juno Tamsin');
  await agreed.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByText(/^Juno Tamsin agreed on .* \(spoken\)\.$/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Make the PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^letter-to-the-referrer-juno-tamsin-.*\.pdf$/);
  const text = execFileSync('pdftotext', [await download.path(), '-'], { encoding: 'utf8' });
  expect(text).toContain('Please see Juno in March.');
  expect(text).toContain('Signed by Ola Vance');

  // An earlier version is looked at, and the list tells how it stands.
  await page.getByRole('combobox', { name: 'Version' }).click();
  await page.getByRole('option', { name: /^1: / }).click();
  await expect(written.getByRole('img', { name: /^The morning test from / })).toBeVisible();
  await page.getByRole('link', { name: 'Papers of Juno Tamsin' }).click();
  await expect(page.getByRole('region', { name: 'Papers so far' }).getByText(/^Signed by Ola Vance/)).toBeVisible();
});

test('a letter to the coach that says what is wrong waits for an agreement to that', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await page.getByRole('link', { name: 'Papers' }).click();
  await page.getByRole('button', { name: 'Draft: Letter to the coach' }).click();
  const written = page.frameLocator('iframe');
  await expect(written.getByRole('heading', { name: 'Stop at once' })).toBeVisible();
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('Rhea Fallow');
  await page.getByRole('textbox', { name: 'Close' }).fill('Her kneecap tendon needs a quiet week.');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('It says “kneecap tendon”.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText(/to name the diagnosis is not recorded/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Close' }).fill('Please call us rather than guess.');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText(/^Signed by Ola Vance/)).toBeVisible();
});

test('the owner writes the letterhead, and makes a token with which another program reads', async ({
  page,
  playwright,
  baseURL,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Ropewalk Circus School' }).click();
  await page.getByRole('textbox', { name: 'Address' }).fill('Tightrope Yard 7, Lisbon');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/^Saved\./)).toBeVisible();

  const tokens = page.getByRole('region', { name: 'Tokens for other systems' });
  await tokens.getByRole('button', { name: 'Make a token' }).click();
  await expect(tokens.getByText('Say what the token is for.')).toBeVisible();
  await tokens.getByRole('textbox', { name: 'What it is for' }).fill('Statistics');
  await tokens.getByRole('button', { name: 'Make a token' }).click();
  const token = (await tokens.getByLabel('The token').textContent()) ?? '';
  await expectAccessible(page);
  const other = await playwright.request.newContext({
    ...(baseURL === undefined ? {} : { baseURL }),
    extraHTTPHeaders: { Authorization: `Bearer ${token}` },
  });
  const read = await other.get('/api/round');
  expect(read.status()).toBe(200);
  expect(read.headers()['set-cookie'] ?? '').toBe('');
  expect((await other.post('/api/practice/tokens', { data: { name: 'x', days: 3 } })).status()).toBe(403);
  await tokens.getByRole('button', { name: 'Withdraw Statistics' }).click();
  await expect(tokens.getByText('never used')).toHaveCount(0);
  expect((await other.get('/api/round')).status()).toBe(401);
  await other.dispose();

  // Papers that are drafted from now on bear the new address.
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
  await page.getByRole('link', { name: 'Papers' }).click();
  await page.getByRole('button', { name: 'Draft: Exercise sheet' }).click();
  await expect(page.frameLocator('iframe').getByText(/Tightrope Yard 7, Lisbon/)).toBeVisible();
});
