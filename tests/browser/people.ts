import { AxeBuilder } from '@axe-core/playwright';
import { type Browser, expect, type Page } from '@playwright/test';

const PHONE = { width: 390, height: 844 };

async function signIn(page: Page, path: string, mailbox: string, password: string): Promise<void> {
  await page.goto(path);
  await page.getByLabel('E-mail address').fill(`${mailbox}@ropewalk.example`);
  await page.getByLabel(/[Pp]assword/).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeHidden();
  await page.getByRole('main').waitFor();
}

const demo = (): string => process.env.DEMO_PASSWORD ?? '';

/** A practitioner at the desk. */
export async function practitioner(page: Page): Promise<void> {
  await signIn(page, '/', 'ola.vance', demo());
  await expect(page.getByRole('heading', { name: 'Round' })).toBeVisible();
}

/** An athlete on a phone of their own. */
export async function athlete(browser: Browser, mailbox: string, password: string = demo()): Promise<Page> {
  const context = await browser.newContext({ viewport: PHONE, hasTouch: true, timezoneId: 'Europe/Lisbon' });
  const page = await context.newPage();
  await signIn(page, '/athlete', mailbox, password);
  return page;
}

/** No serious fault of accessibility on what is shown. */
export async function expectAccessible(page: Page): Promise<void> {
  const found = await new AxeBuilder({ page }).analyze();
  const serious = found.violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`)).toEqual([]);
}
