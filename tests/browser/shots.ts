import { expect, type Page, test } from '@playwright/test';

import { athlete, practitioner, startSession } from './people';

const shot = (page: Page, name: string): Promise<unknown> =>
  page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });

test('the pictures of the main views', async ({ page, browser }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await shot(page, 'sign-in');
  await practitioner(page);
  await shot(page, 'round');
  await page.emulateMedia({ colorScheme: 'dark' });
  await shot(page, 'round-dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.getByRole('button', { name: 'Accept for Tobias Fenwick' }).click();
  await page.getByRole('dialog').getByText('→').first().waitFor();
  await shot(page, 'accept');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Tobias Fenwick' }).first().click();
  await page.getByRole('region', { name: 'Sessions' }).getByRole('table').waitFor();
  await page.getByRole('button', { name: '6 weeks' }).click();
  await page.getByRole('region', { name: 'Gate' }).getByRole('button').nth(1).focus();
  await shot(page, 'case');
  await page.goto('/');
  await page.getByRole('link', { name: 'Change for Edda Moorgate' }).click();
  await page.getByText('up to date').waitFor();
  await shot(page, 'prescribe');
  await page.goto('/library?structure=patellar_tendon');
  await page.getByRole('button', { name: 'Wall sit, high' }).click();
  await shot(page, 'library');
  await page.goto('/library?view=programmes&structure=achilles_midportion');
  await page.getByRole('combobox', { name: 'Compare with' }).click();
  await page.getByRole('option', { name: 'Heel lowering, twice a day' }).click();
  await page.getByRole('row', { name: /^School/ }).waitFor();
  await page.getByRole('listbox').waitFor({ state: 'hidden' });
  await shot(page, 'library-compare');
  await page.goto('/new');
  await page.getByLabel('Name', { exact: true }).fill('Odile Marsh');
  await page.getByLabel('Body mass, kg').fill('58');
  await page.getByRole('button', { name: 'everything' }).click();
  await page.getByRole('button', { name: /^3 ·/ }).click();
  await page.getByLabel('Pain at rest, 0–10').fill('2');
  await page.getByLabel('Test score, 0–10').fill('4');
  await page.getByRole('button', { name: /^6 ·/ }).click();
  await page.getByText('Medium irritability').waitFor();
  await page.waitForTimeout(500);
  await shot(page, 'new-case');

  const phone = await athlete(browser, 'juno.tamsin');
  await phone.getByRole('region', { name: 'The next days' }).waitFor();
  await shot(phone, 'phone-morning');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '2', exact: true }).click();
  await morning.getByRole('button', { name: 'Send' }).click();
  await phone.getByRole('region', { name: "Today's session" }).waitFor();
  await phone.getByRole('status').getByText('All sent').waitFor();
  await shot(phone, 'phone-today');
  await startSession(phone);
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.getByText('2 of 15').waitFor();
  await phone.waitForTimeout(1200);
  await shot(phone, 'phone-pacer');
  await phone.goto('/athlete/ladder');
  await phone.getByText(/^You are on/).waitFor();
  await shot(phone, 'phone-ladder');
});
