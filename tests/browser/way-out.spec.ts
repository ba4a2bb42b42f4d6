import { expect, type Page, test } from '@playwright/test';

import { address, athlete, expectAccessible, practitioner } from './people';

const record = (page: Page) => page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem');

test('a finished programme is kept up, flares, ends and is opened again', async ({ page, browser }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Anouk Sorrel' }).click();
  await expect(page.getByRole('heading', { name: 'Finish the programme and keep a maintenance dose' })).toBeVisible();
  await page.getByRole('button', { name: 'Accept …' }).click();
  const finish = page.getByRole('dialog');
  // Nothing is chosen beforehand, and nothing happens before it is.
  await expect(finish.getByRole('button', { name: 'Put in force' })).toBeDisabled();
  await finish.getByRole('radio', { name: /^Discharge/ }).check();
  await expect(finish.getByRole('button', { name: 'Close the case' })).toBeEnabled();
  await finish.getByRole('radio', { name: /^Keep the doses up twice a week/ }).check();
  await expectAccessible(page);
  await finish.getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).first()).toContainText('Finished: the doses are kept up twice a week until');
  await expect(page.getByText(/^Doses kept up twice a week until/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Keep up the maintenance dose' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Accept …' })).toHaveCount(0);

  const phone = await athlete(browser, 'anouk.sorrel');
  await phone.getByRole('link', { name: 'My ladder' }).click();
  await expect(phone.getByText(/You keep it up twice a week until/)).toBeVisible();

  // It flares: less for a while, and the case stays where it was.
  await page.getByRole('button', { name: 'Flare plan …' }).click();
  await expect(
    page.getByRole('dialog').getByRole('region', { name: 'What it would do' }).getByRole('listitem').first(),
  ).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).first()).toContainText('Flare plan:');
  await expect(page.getByText(/^Doses kept up twice a week until/)).toBeVisible();

  // Closed, found, and opened again a step lower; the programme goes on.
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Close the case …' }).click();
  const close = page.getByRole('dialog');
  await close.getByRole('combobox', { name: 'How it ends' }).click();
  await page.getByRole('option', { name: /^Discharge/ }).click();
  await close.getByLabel('Reason, for the record and the athlete').fill('Good in every show for weeks');
  await close.getByRole('button', { name: 'Close the case' }).click();
  await page.getByRole('button', { name: 'Open again …' }).click();
  const reopen = page.getByRole('dialog');
  await expect(reopen.getByRole('region', { name: 'What it would do' })).toContainText('→');
  await reopen.getByLabel('Reason, for the record').fill('It aches again after the tour');
  await reopen.getByRole('button', { name: 'Open again' }).click();
  await expect(record(page).first()).toContainText('Reopened, one step lower:');
  await expect(page.getByText(/^Doses kept up/)).toHaveCount(0);
});

test('two people on one case: the second sees that something new came in, and loses nothing', async ({
  page,
  browser,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Tobias Fenwick' }).click();
  await page.getByRole('button', { name: 'Keep as it is …' }).click();
  await page.getByLabel('Reason, for the record').fill('He slept badly: wait for another morning');

  const other = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: 'Europe/Lisbon' })
  ).newPage();
  await other.goto('/');
  await other.getByLabel('E-mail address').fill(address('ren.castellan'));
  await other.getByLabel('Password').fill(process.env.DEMO_PASSWORD ?? '');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await other.getByRole('link', { name: 'Open Tobias Fenwick' }).click();
  await other.getByRole('button', { name: 'Keep as it is …' }).click();
  await other.getByLabel('Reason, for the record').fill('I spoke to the coach');
  await other.getByRole('button', { name: 'Put in force' }).click();
  await expect(record(other).first()).toContainText('I spoke to the coach');

  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('dialog')).toContainText('Something new came in for this case.');
  await expect(page.getByLabel('Reason, for the record')).toHaveValue('He slept badly: wait for another morning');
  await page.getByRole('dialog').getByRole('button', { name: 'Put in force' }).click();
  await expect(record(page).nth(0)).toContainText('He slept badly: wait for another morning');
  await expect(record(page).nth(1)).toContainText('I spoke to the coach');
});
