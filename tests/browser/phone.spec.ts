import { expect, type Page, test } from '@playwright/test';

import { athlete, expectAccessible } from './people';

/** Marks the first exercise of the session as done, with a pain. */
async function log(phone: Page, pain: string): Promise<void> {
  await phone.goto('/athlete/session');
  const first = phone.getByRole('region').first();
  await first.getByRole('button', { name: 'All done' }).click();
  await first.getByRole('radio', { name: pain, exact: true }).click();
}

test('without reception nothing is lost, and it is sent once', async ({ browser }) => {
  const phone = await athlete(browser, 'edda.moorgate');
  await log(phone, '2');
  await phone.getByLabel('Load used, kg').first().fill('');
  await phone.getByLabel('Load used, kg').first().pressSequentially('32,5');

  await phone.context().setOffline(true);
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(phone.getByText('What you entered is still here')).toBeVisible();
  await phone.context().setOffline(false);

  // The answer to the first try gets lost on its way back; the second finds it stored.
  let lost = 0;
  await phone.route('**/api/today/sessions/*', async (route) => {
    if (lost > 0) return route.continue();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(phone.getByText('What you entered is still here')).toBeVisible();
  const [answer] = await Promise.all([
    phone.waitForResponse('**/api/today/sessions/*'),
    phone.getByRole('button', { name: 'Finish and send' }).click(),
  ]);
  expect(answer.status()).toBe(200);
  const sent = answer.request().postDataJSON() as { entries: { pain: number | null; sets: { load_kg?: number }[] }[] };
  expect([sent.entries[0]?.pain, sent.entries[0]?.sets[0]?.load_kg]).toEqual([2, 32.5]);
  await expect(phone.getByRole('region', { name: 'Done for today' })).toBeVisible();
  expect(await phone.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('rung:')))).toEqual([]);
});

test('pain over the limit ends the exercise, pain at the stop level ends the session', async ({ browser }) => {
  const phone = await athlete(browser, 'calla.westerby');
  await log(phone, '4');
  await expect(phone.getByText('That is over your limit of 3.')).toBeVisible();
  await expect(phone.getByRole('button', { name: 'Finish and send' })).toBeEnabled();

  await phone.getByRole('region').first().getByRole('radio', { name: '8, severe' }).click();
  await expect(phone.getByText('Stop loading and contact your practitioner.').first()).toBeVisible();
  await expect(phone.getByRole('button', { name: /^Set 1/ }).first()).toBeDisabled();
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Stop and send' }).click();
  await expect(phone.getByText('No session until your practitioner has looked at what you reported.')).toBeVisible();
  await phone.goto('/athlete/session');
  await expect(phone.getByText('No session is due now')).toBeVisible();
});

test('a failure of the server is told, and can be tried again', async ({ browser }) => {
  const phone = await athlete(browser, 'mirela.quill');
  await phone.route('**/api/today', (route) => route.fulfill({ status: 500, body: 'broken' }));
  await phone.reload();
  await expect(phone.getByText('Rung could not answer (500). Try again.')).toBeVisible();
  await phone.unroute('**/api/today');
  await phone.getByRole('button', { name: 'Try again' }).click();
  await expect(phone.getByRole('region', { name: 'My ladder' })).toBeVisible();
});

test('the two sides keep their people apart', async ({ browser }) => {
  const phone = await athlete(browser, 'mirela.quill');
  await phone.goto('/');
  await expect(phone.getByText('This side is for practitioners')).toBeVisible();
  await phone.getByRole('link', { name: 'Go to your own page' }).click();
  await expect(phone.getByRole('region', { name: 'My ladder' })).toBeVisible();
  await phone.getByRole('button', { name: 'Sign out' }).click();
  await expect(phone.getByRole('button', { name: 'Sign in' })).toBeVisible();
});
