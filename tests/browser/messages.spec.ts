import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, practitioner, strip } from './people';

test('what an athlete asks is answered in the inbox; the practice writes of its own accord too', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'edda.moorgate');
  // The phone is to tell of messages, and of the morning at half past six.
  await phone.context().grantPermissions(['notifications']);
  // This browser has no screen to show them on: what it is asked to show is noted.
  await phone.addInitScript(() => {
    Object.assign(window, { shown: [] });
    ServiceWorkerRegistration.prototype.showNotification = (_title, options) => {
      (window as unknown as { shown: (string | undefined)[] }).shown.push(options?.body);
      return Promise.resolve();
    };
  });
  await phone.getByRole('link', { name: 'Settings' }).click();
  const reminders = phone.getByRole('region', { name: 'Reminders on this phone' });
  await reminders.getByRole('button', { name: 'Remind me on this phone' }).click();
  await expect(reminders.getByLabel('A message of the practice')).toBeChecked();
  await reminders.getByLabel('At, for the morning answer').fill('06:30');
  await reminders.getByLabel('At, for the morning answer').blur();
  await expect(reminders.getByLabel('At, for the morning answer')).toHaveValue('06:30');
  await reminders.getByLabel('The session, if it is not done').click();
  await expect(reminders.getByLabel('At, for the session')).toBeHidden();
  await expectAccessible(phone);
  await phone.getByRole('link', { name: 'When it hurts' }).click();
  await phone.getByLabel('Your question or note').fill('Is the sauna allowed?');
  await phone.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);

  await practitioner(page);
  await page.getByRole('link', { name: 'Messages' }).click();
  const threads = page.getByRole('navigation', { name: 'Threads' });
  const thread = page.getByRole('region', { name: 'Messages with Edda Moorgate' });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Messages · 1 waiting');
  await expect(threads.getByRole('button')).toHaveCount(1);
  await expect(thread).toContainText('Is the sauna allowed?');
  await expectAccessible(page);
  await thread.getByLabel('Answer Edda Moorgate').fill('x'.repeat(1001));
  await expect(thread.getByText('At most 1000 letters; these are 1001')).toBeVisible();
  await thread.getByLabel('Answer Edda Moorgate').fill('Yes, after the morning test.');
  await thread.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(thread).toContainText('dealt with');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Messages');
  // It is off the list of those that wait, and stays open to be read.
  await expect(threads).toContainText('Nobody is waiting for an answer.');
  await thread.getByLabel('Write to Edda Moorgate').fill('See you on Thursday at nine.');
  await thread.getByRole('button', { name: 'Send' }).click();
  await expect(thread.getByLabel('Write to Edda Moorgate')).toHaveValue('');
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await threads.getByRole('button', { name: /Edda Moorgate/ }).click();
  await expect(threads.getByRole('button', { name: /Edda Moorgate/ })).toContainText('See you on Thursday at nine.');
  await thread.getByRole('link', { name: 'Open the case' }).click();
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText(
    'Written, today, Ola Vance, sent (simulated)',
  );

  await phone.reload();
  await expect(phone.getByText('Yes, after the morning test.').first()).toBeVisible();
  await expect(phone.getByText('See you on Thursday at nine.').first()).toBeVisible();
  // Shown on the locked screen, without its words; ended again, nothing more is.
  const shown = () => phone.evaluate(() => (window as unknown as { shown: string[] }).shown);
  await expect.poll(shown).toEqual(['Ropewalk Circus School wrote to you.', 'Ropewalk Circus School wrote to you.']);
  await phone.getByRole('link', { name: 'Settings' }).click();
  await expect(reminders.getByLabel('At, for the morning answer')).toHaveValue('06:30');
  await reminders.getByRole('button', { name: 'No more reminders on this phone' }).click();
  await expect(reminders.getByRole('button', { name: 'Remind me on this phone' })).toBeVisible();
});
