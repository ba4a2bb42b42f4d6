import { expect, test } from '@playwright/test';

import { expectAccessible, practitioner } from './people';

test('the library is searched, and two programmes are compared', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('button', { name: 'Kneecap tendon' }).click();
  const ladder = page.getByRole('region', { name: 'Knee holds' });
  await expect(ladder.getByRole('listitem')).toHaveCount(6);
  await ladder.getByRole('button', { name: 'Wall sit, high' }).click();
  await expect(page.getByRole('region', { name: 'Exercise' })).toContainText('Back against a wall');
  await page.getByRole('button', { name: 'All structures' }).click();
  await page.keyboard.press('/');
  await page.keyboard.type('Achilles, no equipment, hold');
  await expect(page.getByRole('region', { name: 'Found' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Clear' }).click();

  await page.getByRole('tab', { name: 'Programmes' }).click();
  await page.getByRole('button', { name: 'Achilles midportion' }).click();
  await expect(page.getByRole('region', { name: 'Heel, slow load' })).toContainText('Calf hold, both legs');
  await page.getByRole('button', { name: 'How it goes over weeks' }).click();
  await expect(page.getByRole('img', { name: /^A steady athlete: everything is done, nothing flares: Holds to day \d+, Slow raises to day \d+.*Ends in week \d+\.$/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^A slower one/ })).toBeVisible();
  await page.getByRole('button', { name: 'How it goes over weeks' }).click();
  await page.getByRole('combobox', { name: 'Compare with' }).click();
  await page.getByRole('option', { name: 'Heel lowering, twice a day' }).click();
  await expect(page.getByRole('row', { name: /^School/ })).toContainText('No worse next morning');
  await expect(page.getByRole('row', { name: /^School/ })).toContainText('Moderate pain, wider steps');
});

test('a rule is copied and changed under the same checks; a broken file is refused whole', async ({ page }) => {
  await practitioner(page);
  await page.goto('/library?view=rules');
  await page.getByRole('button', { name: /^Little pain, slow steps/ }).click();
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await page.getByLabel('Loading stops at').fill('9');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Stop at must be 8 at most')).toBeVisible();
  await expect(page.getByLabel('Loading stops at')).toHaveValue('9');
  await page.getByLabel('Loading stops at').fill('5');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByRole('button', { name: 'Save as version 3' })).toBeDisabled();
  await expectAccessible(page);

  await page.goto('/library?view=own');
  await expect(page.getByText('Little pain, slow steps, our own')).toBeVisible();
  const broken = { format: 'rung-library/1', ladders: [{ key: 'ours', title: 'Ours', rungs: [{ exercise: 'squat', demand: 2 }, { exercise: 'nothing', demand: 1, changes: ['load'] }] }] };
  await page.getByLabel('Library file').setInputFiles({ name: 'library.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(broken)) });
  await expect(page.getByText('Nothing was taken in.')).toBeVisible();
  await expect(page.getByText('ladders.0.rungs.1.demand')).toBeVisible();
  await expect(page.getByText('ladders.0.rungs.1.exercise')).toBeVisible();

  await page.getByRole('link', { name: 'Edit Little pain, slow steps, our own' }).click();
  await page.getByRole('button', { name: 'Offer it no longer' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto('/library?view=own');
  await expect(page.getByText('Little pain, slow steps, our own')).toBeVisible();
});
