import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';

import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, practitioner } from './people';

test('a case goes out as a file, is looked at, and comes in as a case of a new athlete', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  const headline = await page.getByRole('region', { name: 'Proposal' }).getByRole('heading').first().textContent();
  await page.getByRole('button', { name: 'More' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export the case file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('edda-moorgate-kneecap-tendon.json');
  const text = await readFile(await download.path(), 'utf8');
  expect((JSON.parse(text) as { format: string }).format).toBe('rung-case/1');

  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Tables for a spreadsheet …' }).click();
  const tables = page.getByRole('dialog', { name: 'Tables of Edda Moorgate' });
  await expectAccessible(page);
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    tables.getByRole('link', { name: 'Mornings' }).click(),
  ]);
  expect((await readFile(await table.path(), 'utf8')).split('\r\n')[0]).toBe(
    'case,athlete,structure,side,at,provocation,stiffness_min,signs,notes',
  );
  await tables.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('link', { name: 'New case' }).click();
  await page.getByRole('link', { name: 'From a case file …' }).click();
  const choose = page.getByLabel('Case file', { exact: true });
  const give = (name: string, content: string) =>
    choose.setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  await give('broken.json', text.slice(0, 500));
  await expect(page.getByText('broken.json is no case file: it is not JSON.')).toBeVisible();
  await give(
    'wrong.json',
    text.replace(/"provocation": \d+/, '"provocation": 40').replace(/"pain": \d+/, '"pain": -1'),
  );
  await expect(page.getByText('2 things in the file cannot be imported. Nothing is stored.')).toBeVisible();
  await expect(page.getByText(/check_ins\.\d+\.provocation/)).toBeVisible();

  await give('edda.json', text);
  const found = page.getByRole('region', { name: 'What edda.json holds' });
  await expect(found.getByRole('heading', { name: 'Edda Moorgate: Kneecap tendon, right' })).toBeVisible();
  await expect(found.getByText(headline ?? '')).toBeVisible();
  await expect(found.getByText(/holds no screening/)).toBeVisible();
  await expectAccessible(page);
  // Whose case it is has to be said: somebody of that name is here.
  await expect(found.getByRole('button', { name: 'Make a case of it' })).toBeDisabled();
  await found.getByRole('radio', { name: /^Edda Moorgate/ }).check();
  await found.getByRole('button', { name: 'Make a case of it' }).click();
  await expect(page.getByText(/is treated in a case of this athlete that is open/)).toBeVisible();
  await found.getByRole('radio', { name: 'Somebody else: a new athlete' }).check();
  await found.getByRole('button', { name: 'Make a case of it' }).click();
  await expect(page.getByRole('region', { name: 'Proposal' }).getByRole('heading').first()).toHaveText(headline ?? '');
  await expect(page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first()).toContainText(
    'Taken in from a case file',
  );
});

test('all data of an athlete goes out in one archive, to the owner and to the athlete', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^The athlete’s data/ }).click();
  const dialog = page.getByRole('region', { name: 'Export all data' });
  await expectAccessible(page);
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Make the archive' }).click(),
  ]);
  expect(archive.suggestedFilename()).toMatch(/^juno-tamsin-.*\.zip$/);
  const names = execFileSync('unzip', ['-Z1', await archive.path()], { encoding: 'utf8' });
  expect(names).toContain('/health-record.json');
  await expect(dialog.getByText(/It is kept for a day/)).toBeVisible();

  const phone = await athlete(browser, 'juno.tamsin');
  await phone.getByRole('link', { name: 'Settings' }).click();
  const [own] = await Promise.all([
    phone.waitForEvent('download'),
    phone.getByRole('button', { name: 'Save everything as an archive' }).click(),
  ]);
  expect(execFileSync('unzip', ['-Z1', await own.path()], { encoding: 'utf8' })).not.toContain('decisions');
});
