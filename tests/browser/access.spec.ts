import { test } from '@playwright/test';

import { athlete, expectAccessible, practitioner } from './people';

test('no serious fault of accessibility, light and dark', async ({ page, browser }) => {
  test.setTimeout(300_000);
  await practitioner(page);
  const phone = await athlete(browser, 'piet.olander');
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await phone.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    for (const path of ['/', '/new', '/library?structure=quadriceps_tendon', '/library?view=rules']) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await expectAccessible(page);
    }
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
    await page.getByRole('region', { name: 'Sessions' }).getByRole('table').waitFor();
    await page.getByRole('button', { name: 'Ask every school' }).click();
    await page.getByText('Where they differ').waitFor();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Prescribe' }).click();
    await page.getByRole('button', { name: /^Edit/ }).first().click();
    await page.getByText('up to date').waitFor();
    await expectAccessible(page);
    await phone.goto('/athlete');
    await phone.getByRole('region', { name: 'The next days' }).waitFor();
    await expectAccessible(phone);
    await phone.goto('/athlete/session');
    await phone.getByRole('button', { name: 'Start', exact: true }).waitFor();
    await expectAccessible(phone);
  }
});
