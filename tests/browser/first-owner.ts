import { createHmac } from 'node:crypto';

import { type Browser, expect, type Page, test } from '@playwright/test';

import { expectAccessible } from './people';

/** The code that an app on a phone would show now, made apart from the server's own code. */
function code(secret: string): string {
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
  const bits = Array.from(secret.replaceAll(' ', ''), (letter) =>
    letters.indexOf(letter).toString(2).padStart(5, '0'),
  ).join('');
  const key = Buffer.from(bits.match(/.{8}/g)?.map((byte) => parseInt(byte, 2)) ?? []);
  const step = Buffer.alloc(8);
  step.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000)));
  const hash = createHmac('sha1', key).update(step).digest();
  return String((hash.readUInt32BE((hash[19] ?? 0) & 15) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

/** Sets up the second factor on the page of the account, and tells the first recovery code. */
async function setUpSecondFactor(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Set it up' }).click();
  const secret = await page.getByLabel('The secret', { exact: true }).innerText();
  await page.getByLabel('Code').fill('000000');
  await page.getByRole('button', { name: 'That is the code' }).click();
  await expect(page.getByText('This is not the code of now')).toBeVisible();
  await page.getByLabel('Code').fill(code(secret));
  await page.getByRole('button', { name: 'That is the code' }).click();
  const codes = page.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem');
  await expect(codes).toHaveCount(10);
  const first = await codes.first().innerText();
  await page.getByRole('button', { name: 'I have them' }).click();
  return first;
}

async function comeIn(browser: Browser, link: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  const { pathname, hash } = new URL(link);
  await page.goto(pathname + hash);
  await page.getByLabel('New password').fill('brass-kettle-drum-7');
  await page.getByRole('button', { name: 'Come in' }).click();
  return page;
}

async function change(page: Page, name: string, what: string): Promise<void> {
  await page.getByRole('button', { name: `Change ${name}` }).click();
  await page.getByRole('menuitem', { name: what }).click();
}

test('from an empty installation to a practice: colleagues, second factor, cases handed over, suspended', async ({
  page,
  browser,
}) => {
  // The first owner, by the code.
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Welcome to Rung' })).toBeVisible();
  await page.getByLabel('Code').fill('AAAA-BBBB-CCCC');
  await page.getByLabel('Name of the practice').fill('Harbour Street Physiotherapy');
  await page.getByLabel('Your name').fill('Nadia Wren');
  await page.getByLabel('Your e-mail address').fill('nadia.wren@example.test');
  await page.getByLabel('Password, of').fill('tall-ladder-green-5');
  await page.getByRole('button', { name: 'Make the practice' }).click();
  await expect(page.getByText('This code does not hold')).toBeVisible();
  await expect(page.getByLabel('Your name')).toHaveValue('Nadia Wren');
  await page.getByLabel('Code').fill(process.env.SETUP_CODE ?? '');
  await page.getByRole('button', { name: 'Make the practice' }).click();

  // A new practice asks for a second factor before anything else.
  await expect(page.getByText('asks for a second factor')).toBeVisible();
  await setUpSecondFactor(page);
  await page.goto('/');
  await expect(page.getByText('No open case yet')).toBeVisible();

  // Two colleagues are invited.
  await page.goto('/practice/people');
  const links: Record<string, string> = {};
  for (const [name, mailbox] of [
    ['Tomas Reed', 'tomas.reed'],
    ['Iris Calder', 'iris.calder'],
  ] as const) {
    await page.getByRole('button', { name: 'Invite a colleague' }).click();
    await page.getByLabel('Name').fill(name);
    await page.getByLabel('E-mail address').fill(`${mailbox}@example.test`);
    await page.getByRole('button', { name: 'Invite', exact: true }).click();
    await expect(page.getByText(`${name} is invited by mail`)).toBeVisible();
    links[name] = await page.getByLabel('The link').innerText();
    await page.getByRole('button', { name: 'Close' }).click();
  }
  const tomas = await comeIn(browser, links['Tomas Reed'] ?? '');
  await setUpSecondFactor(tomas);
  const iris = await comeIn(browser, links['Iris Calder'] ?? '');
  const recovery = await setUpSecondFactor(iris);

  // Tomas takes a case in, which is his; he leaves, and Nadia has it, with a note.
  await tomas.goto('/import');
  await tomas.getByLabel('Case file', { exact: true }).setInputFiles('tests/core/examples/evaluate-625.case.json');
  const found = tomas.getByRole('region', { name: /^What / });
  const athlete = ((await found.getByRole('heading').first().innerText()).split(':')[0] ?? '').trim();
  await found.getByRole('button', { name: 'Make a case of it' }).click();
  await expect(tomas.getByRole('heading', { name: athlete, level: 1 })).toBeVisible();
  await page.reload();
  await change(page, 'Tomas Reed', 'Leaves the practice');
  const leaving = page.getByRole('dialog', { name: 'Tomas Reed leaves the practice' });
  await leaving.getByRole('button', { name: 'Hand over and end access' }).click();
  await expect(leaving.getByText('Say why, for the record of each case')).toBeVisible();
  await leaving.getByLabel('Note for the record').fill('Moves to another town');
  await leaving.getByRole('button', { name: 'Hand over and end access' }).click();
  await expect(leaving.getByText('Choose who takes them over')).toBeVisible();
  await leaving.getByLabel('Who takes the cases over').click();
  await page.getByRole('option', { name: /^Nadia Wren/ }).click();
  await leaving.getByRole('button', { name: 'Hand over and end access' }).click();
  await expect(page.getByText('Left the practice: Tomas Reed')).toBeVisible();
  await tomas.reload();
  await expect(tomas.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto('/');
  await page.getByRole('link', { name: athlete, exact: true }).click();
  await expect(page.getByText('with Nadia Wren')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first()).toContainText(
    'Moves to another town',
  );
  await page.goto('/practice/people');

  // Iris is suspended: she is shut out at once.
  await change(page, 'Iris Calder', 'Suspend');
  await expect(page.getByText('suspended', { exact: true })).toBeVisible();
  await iris.reload();
  await expect(iris.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await iris.getByLabel('E-mail address').fill('iris.calder@example.test');
  await iris.getByLabel('Password').fill('brass-kettle-drum-7');
  await iris.getByRole('button', { name: 'Sign in' }).click();
  await expect(iris.getByText('do not match')).toBeVisible();
  // Let in again, she signs in with her password and, without her phone, a recovery code.
  await change(page, 'Iris Calder', 'Let in again');
  await iris.getByRole('button', { name: 'Sign in' }).click();
  await iris.getByLabel('Code').fill('123456');
  await iris.getByRole('button', { name: 'Go on' }).click();
  await expect(iris.getByText('This code does not hold')).toBeVisible();
  await iris.getByLabel('Code').fill(recovery);
  await iris.getByRole('button', { name: 'Go on' }).click();
  await expect(iris.getByRole('link', { name: 'Round' })).toBeVisible();

  // All of it stands in the record.
  await page.getByRole('tab', { name: 'Who saw what' }).click();
  await expect(page.getByText('handed 1 case of Tomas Reed over to Nadia Wren')).toBeVisible();
  await expect(page.getByText('suspended Iris Calder')).toBeVisible();
  await expectAccessible(page);
});
