import { expect, type Page, test } from '@playwright/test';
import ICAL from 'ical.js';

import { athlete, expectAccessible, practitioner } from './people';

/** Reads a calendar with another reader than the one that wrote it. */
async function events(page: Page, address: string) {
  const answer = await page.request.get(address);
  expect(answer.headers()['content-type']).toContain('text/calendar');
  const calendar = new ICAL.Component(ICAL.parse(await answer.text()) as unknown[]);
  for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
  return calendar.getAllSubcomponents('vevent').map((subcomponent) => new ICAL.Event(subcomponent));
}

test('the week of the practice shows what is due, is narrowed, turned and subscribed to', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  const table = page.getByRole('table', { name: 'Cases by day' });
  await expect(table.getByRole('row').nth(1)).toBeVisible();
  await expectAccessible(page);
  const all = await table.getByRole('row').count();
  await page
    .getByRole('group', { name: 'What is due' })
    .getByRole('button', { name: /Stopped$/ })
    .click();
  await expect(table.getByText('Stopped: review').first()).toBeVisible();
  expect(await table.getByRole('row').count()).toBeLessThan(all);
  await page
    .getByRole('group', { name: 'What is due' })
    .getByRole('button', { name: /Stopped$/ })
    .click();

  const title = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
  await page.getByRole('button', { name: 'The week after' }).click();
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title);
  await page.getByRole('button', { name: 'This week', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(title);

  // On paper there is nothing to press.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Pages' })).toBeHidden();
  await page.emulateMedia({ media: null });

  await page.getByRole('button', { name: 'In my calendar …' }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = (await page.getByText(/\/calendar\/\w+\.ics$/).textContent()) ?? '';
  const found = await events(page, address);
  expect(found.length).toBeGreaterThan(0);
  for (const event of found) {
    expect(event.summary).toMatch(/^(Review|Show): (\S\. ?)+$/);
    expect(event.startDate.isDate).toBe(true);
    expect(event.duration.toSeconds()).toBe(86_400);
  }
});

test("an athlete's calendar is read by another reader: sessions by the clock of the practice, the morning every day", async ({
  browser,
}) => {
  const phone = await athlete(browser, 'juno.tamsin');
  await phone.getByRole('link', { name: 'My ladder' }).click();
  await phone.getByRole('button', { name: 'Make an address' }).click();
  const found = await events(phone, (await phone.getByText(/\/calendar\/\w+\.ics$/).textContent()) ?? '');
  const sessions = found.filter((event) => !event.isRecurring());
  expect(sessions.length).toBeGreaterThan(10);
  for (const session of sessions)
    expect([session.startDate.zone.tzid, session.duration.toSeconds()]).toEqual(['Europe/Lisbon', 1800]);
  // Every day at the same time of the clock, over the change to summer time and back.
  const morning = found.find((event) => event.isRecurring());
  expect(morning?.summary).toBe('Morning answer');
  const days = morning?.iterator();
  const first = days?.next();
  for (let i = 0; i < 360; i++) {
    const next = days?.next();
    expect([next?.hour, next?.minute]).toEqual([first?.hour, first?.minute]);
  }
});
