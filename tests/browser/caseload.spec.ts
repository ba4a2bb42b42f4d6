import { expect, test } from '@playwright/test';

import { expectAccessible, practitioner } from './people';

test('each number of the caseload opens the cases that it counts', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Caseload' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Caseload: \d+ open cases$/);
  const cases = page.getByRole('region', { name: 'Cases' });
  const all = await cases.getByRole('row').count();
  await expect(page.getByRole('img', { name: /^Sessions done: week of/ })).toBeVisible();
  await expectAccessible(page);

  const counts = page.getByRole('region', { name: 'At a glance' }).getByRole('button');
  for (const count of await counts.all()) {
    const n = Number(await count.locator('span').first().innerText());
    await count.click();
    await expect(count).toHaveAttribute('aria-pressed', 'true');
    await expect(cases.getByRole('row')).toHaveCount(n === 0 ? 0 : n + 1);
    await count.click();
    await expect(cases.getByRole('row')).toHaveCount(all);
  }

  // Narrowed to one practitioner, and still so after a look at a case and back.
  await page.getByRole('combobox', { name: 'Practitioner' }).click();
  await page.getByRole('option', { name: 'Ren Castellan' }).click();
  await expect(cases.getByRole('row')).not.toHaveCount(all);
  const fewer = await cases.getByRole('row').count();
  await cases.getByRole('link').first().click();
  await expect(page.getByRole('region', { name: 'Proposal' })).toBeVisible();
  await page.goBack();
  await expect(cases.getByRole('row')).toHaveCount(fewer);
});
