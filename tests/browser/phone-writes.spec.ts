import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, openStep, practitioner, strip } from './people';

test('what was entered is put right, a missed session says why, and practice beside the plan is logged', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'dario.pell');
  await openStep(phone, /This morning/, 'This morning');
  const morning = phone.getByRole('region', { name: 'This morning' });
  await morning.getByRole('radio', { name: '5, clear' }).click();
  await morning.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await phone.getByRole('link', { name: 'What I entered' }).click();
  const entry = phone.getByRole('article', { name: 'Morning, today' });
  await expect(entry).toContainText('The test 5 of 10');
  await expectAccessible(phone);
  await entry.getByRole('button', { name: 'Put it right' }).click();
  await entry.getByRole('radio', { name: '1', exact: true }).click();
  await expect(entry).toContainText('The test 1 of 10');
  const missed = phone.getByRole('article', { name: /not done$/ }).first();
  await missed.getByRole('button', { name: 'travelling' }).click();
  await expect(missed).toContainText('Not done: travelling');

  await phone.getByRole('link', { name: 'I practised or competed' }).click();
  await phone.getByLabel('Minutes of practice').fill('1500');
  await expect(phone.getByText('At most 1440 minutes')).toBeVisible();
  await phone.getByLabel('Minutes of practice').fill('900');
  await phone.getByRole('radiogroup', { name: 'Effort' }).getByRole('radio', { name: '6' }).click();
  await phone
    .getByRole('radiogroup', { name: 'Pain in practice' })
    .getByRole('radio', { name: '1', exact: true })
    .click();
  await expect(phone.getByRole('button', { name: 'Finish and send' })).toBeDisabled();
  await expect(phone.getByText(/^900 minutes\?/)).toBeVisible();
  await phone.getByLabel('Minutes of practice').fill('40');
  await phone.getByRole('button', { name: 'Finish and send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);

  await practitioner(page);
  await page.getByRole('link', { name: 'Open Dario Pell' }).click();
  const messages = page.getByRole('region', { name: 'Messages' });
  await expect(messages).toContainText('the test was 5 of 10');
  await expect(messages).toContainText('travelling');
});

test('a flare reported between sessions stays on the Round until it is answered, and the answer comes to the phone', async ({
  browser,
  page,
}) => {
  const phone = await athlete(browser, 'juno.tamsin');
  await phone.getByRole('link', { name: 'When it hurts' }).click();
  await phone.getByRole('button', { name: 'It flares' }).click();
  await phone.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '6' }).click();
  await phone.getByLabel('Since when, and after what').fill('Since the late show');
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'Send' }).click();
  await expect(strip(phone)).toHaveText(/All sent/);
  await practitioner(page);
  const asked = page.getByRole('region', { name: 'Athletes wrote' });
  await expect(asked).toContainText('Flare, pain 6 of 10: Since the late show');
  await expectAccessible(page);
  await asked.getByRole('link', { name: 'Juno Tamsin' }).click();
  await page.getByLabel('Answer Juno Tamsin').fill('Holds only today.');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('dealt with');
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
  await expect(asked).toBeHidden();
  await phone.reload();
  await expect(phone.getByText('Holds only today.').first()).toBeVisible();
});

test('the owner says whom athletes call, and bad numbers are refused in place', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Ropewalk Circus School' }).click();
  await page.getByLabel('Telephone').fill('by pigeon');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('The telephone number must be digits')).toBeVisible();
  await expect(page.getByLabel('Telephone')).toHaveValue('by pigeon');
  await page.getByLabel('Telephone').fill('+351 210 000 000');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Phones show it')).toBeVisible();
  await expectAccessible(page);
});
