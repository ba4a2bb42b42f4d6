import { type Page, test } from '@playwright/test';

import { athlete, practitioner, startSession } from './people';

const shot = (page: Page, name: string): Promise<unknown> =>
  page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });

test('the pictures of the main views', async ({ page, browser }) => {
  test.setTimeout(300_000);
  await practitioner(page);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await shot(page, 'round');
  await page.emulateMedia({ colorScheme: 'dark' });
  await shot(page, 'round-dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.getByRole('link', { name: 'Tobias Fenwick' }).first().click();
  await page.getByRole('region', { name: 'Sessions' }).getByRole('table').waitFor();
  await page.getByRole('button', { name: '6 weeks' }).click();
  await page.getByRole('region', { name: 'Gate' }).getByRole('button').nth(1).focus();
  await shot(page, 'case');
  await page.goto('/');
  await page.getByRole('link', { name: 'Change for Edda Moorgate' }).click();
  await page.getByText('up to date').waitFor();
  await page.getByRole('button', { name: 'Edit Leg extension, one leg' }).click();
  await page.locator('svg[data-figure]').waitFor();
  await shot(page, 'prescribe');
  await page.goto('/caseload');
  await page.getByRole('region', { name: 'Cases' }).waitFor();
  await shot(page, 'caseload');
  await page.goto('/week');
  await page.getByRole('table', { name: 'Cases by day' }).getByRole('row').nth(1).waitFor();
  await shot(page, 'week');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Basil Thorne' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: /^Entries/ }).click();
  await page.getByRole('button', { name: 'A session' }).click();
  await shot(page, 'entries');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('link', { name: 'Visit' }).click();
  await page.getByRole('form', { name: 'How it was tolerated' }).waitFor();
  await page.locator('svg[data-figure]').waitFor();
  await shot(page, 'visit');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Tobias Fenwick' }).click();
  await page.getByRole('link', { name: 'Papers' }).click();
  await page.getByRole('button', { name: 'Draft: Letter to the referrer' }).click();
  await page.frameLocator('iframe').getByRole('img').waitFor();
  await shot(page, 'paper');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Edda Moorgate' }).click();
  await page.getByRole('link', { name: 'Weeks: move sessions' }).click();
  await page
    .getByRole('table', { name: 'Weeks' })
    .getByRole('button', { name: /^(Holds|Slow strength), /, disabled: false })
    .nth(2)
    .focus();
  await page.keyboard.press('ArrowRight');
  await page.getByText(/^▲/).first().waitFor();
  await shot(page, 'weeks');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Ines Calloway' }).click();
  await page.getByRole('region', { name: 'Measures' }).getByRole('link', { name: 'Over time' }).click();
  await page.getByRole('img', { name: /^Knee extension strength/ }).waitFor();
  await shot(page, 'measures');
  await page.goto('/library?structure=patellar_tendon');
  await page.getByRole('button', { name: 'Wall sit, high' }).click();
  await page.getByRole('region', { name: 'Knee holds' }).locator('svg[data-figure]').first().waitFor();
  await page.getByRole('region', { name: 'Exercise' }).locator('svg[data-figure="wall_sit_high"]').waitFor();
  await shot(page, 'library');
  await page.goto('/practice/people');
  await page.getByRole('table').first().waitFor();
  await shot(page, 'people');
  await page.goto('/new');
  await page.getByLabel('Name', { exact: true }).fill('Odile Marsh');
  await page.getByLabel('Body mass, kg').fill('58');
  await page.getByRole('button', { name: 'Something hurts' }).click();
  for (const [field, choice] of [
    ['Structure', 'Kneecap tendon'],
    ['Side', 'left'],
    ['Must get back to', 'jumping'],
  ] as const) {
    await page.getByRole('combobox', { name: field }).click();
    await page.getByRole('option', { name: choice, exact: true }).click();
  }
  await page.getByLabel('Trains now, days a week').fill('3');
  await page.getByRole('button', { name: 'everything' }).click();
  await page.getByRole('button', { name: /^3 ·/ }).click();
  await page.getByLabel('Pain at rest, 0–10').fill('2');
  await page.getByLabel('Test score, 0–10').fill('4');
  await page.getByRole('button', { name: /^6 ·/ }).click();
  await page.getByText('Medium irritability').waitFor();
  await page.waitForTimeout(500);
  await shot(page, 'new-case');

  const phone = await athlete(browser, 'juno.tamsin', process.env.DEMO_PASSWORD ?? '', 10);
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
  // Past the count-in and before the end of a hold, at ten times the pace.
  await phone.getByRole('button', { name: 'Pause' }).waitFor();
  await phone.waitForTimeout(1500);
  await shot(phone, 'phone-pacer');
  await phone.getByRole('button', { name: 'It hurts' }).click();
  await phone.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '6' }).click();
  await phone.getByRole('region', { name: 'Over your limit' }).waitFor();
  await shot(phone, 'phone-over');
  await phone.goto('/athlete/ladder');
  await phone.getByText(/^You are on/).waitFor();
  await phone
    .getByRole('status')
    .first()
    .getByText(/All sent|under way/)
    .waitFor();
  await shot(phone, 'phone-ladder');
});
