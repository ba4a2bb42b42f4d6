import { readFileSync } from 'node:fs';

import { expect, test } from '@playwright/test';

import { athlete, expectAccessible, practitioner, startSession } from './people';

test('three tries at the gauge are judged, kept, seen again over time, and struck out', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('region', { name: 'Measures' }).getByRole('link', { name: 'Over time' }).click();
  await expect(page.getByRole('heading', { name: 'Juno Tamsin: measures' })).toBeVisible();
  await expectAccessible(page);
  const card = page.getByRole('region', { name: 'Knee extension strength', exact: true });
  await expect(card.getByRole('img', { name: /^Knee extension strength: / })).toBeVisible();
  await card.getByRole('button', { name: 'Measure Knee extension strength' }).click();
  const form = page.getByRole('form', { name: 'Knee extension strength' });
  await form.getByRole('button', { name: 'Gauge' }).click();
  const gauge = page.getByRole('dialog', { name: 'Knee extension strength: gauge' });
  const pull = async (newtons: string) => {
    await gauge.getByLabel('Simulated pull, N').fill(newtons);
    await gauge.getByRole('button', { name: /^Start try/ }).click();
    await expect(gauge.getByText(/^[1-9]\d\d N$/)).toBeVisible();
    await page.waitForTimeout(1500);
    await gauge.getByRole('button', { name: 'Stop' }).click();
    await expect(gauge.getByRole('button', { name: /^Start try/ })).toBeEnabled();
  };
  // The other side first, then they take turns; two that differ too much ask for one more.
  await pull('420');
  await expect(gauge.getByRole('timer')).toContainText(/Rest \d+ s/);
  await pull('360');
  await pull('415');
  await pull('300');
  await expect(gauge.getByRole('region', { name: 'Tries, Right' })).toContainText('Try 2 of 3.');
  await pull('418');
  await pull('355');
  await expect(gauge.getByRole('region', { name: 'Tries, Left, sore' })).toContainText(
    /differ by 1\d(\.\d)? %, over 10 %: once more/,
  );
  await expect(gauge.getByText(/Sore against other side: 8\d(\.\d)? %/)).toBeVisible();
  await expectAccessible(page);
  await gauge.getByRole('button', { name: 'Use these tries' }).click();
  await expect(form.getByLabel('Left, sore, try 1, from the gauge')).not.toHaveValue('');
  await form.getByRole('button', { name: 'Strike out: Left, sore, try 2' }).click();
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  const newest = card.getByRole('table').getByRole('row').nth(1);
  await expect(newest).toContainText('Ola Vance');
  await newest.getByRole('button', { name: /^Curve 1/ }).click();
  await expect(page.getByRole('dialog', { name: /^Force curve/ })).toContainText('Steepest rise');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  const value = (await newest.getByRole('cell').nth(2).innerText()).trim();
  await newest.getByRole('button', { name: /^Strike out/ }).click();
  const strike = page.getByRole('dialog', { name: /^Strike out/ });
  await strike.getByRole('button', { name: 'Strike out' }).click();
  await expect(strike.getByText(/in a few words at least/)).toBeVisible();
  await strike.getByLabel('Why, for the record').fill('The strap slipped twice');
  await strike.getByRole('button', { name: 'Strike out' }).click();
  await expect(strike).toBeHidden();
  await expect(card.getByRole('cell', { name: value, exact: true })).toBeHidden();
});

test('what is odd is asked about, a maximum tells the loads, and the sheet goes out and comes in as a table', async ({
  page,
}) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('region', { name: 'Measures' }).getByRole('link', { name: 'Over time' }).click();
  await page.getByRole('button', { name: 'Measure Knee extension strength' }).click();
  const strength = page.getByRole('form', { name: 'Knee extension strength' });
  await strength.getByRole('textbox', { name: 'Left, sore, try 1' }).fill('38');
  await strength.getByRole('textbox', { name: 'Right, try 1' }).fill('42');
  await strength.getByRole('button', { name: 'Keep' }).click();
  await expect(strength.getByRole('alert').filter({ hasText: 'was that read in kilograms?' })).toBeVisible();
  await strength.getByRole('button', { name: 'Unit, lever, angle' }).click();
  await strength.getByRole('combobox', { name: 'Unit' }).click();
  await page.getByRole('option', { name: 'kg' }).click();
  await expect(strength.getByText(/was that read in kilograms/).first()).toBeHidden();
  await strength.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('region', { name: 'Knee extension strength', exact: true })).toContainText(
    '372.7 and 411.9 N',
  );

  await page.getByRole('button', { name: 'Measure Leg press, one leg, from a set' }).click();
  const press = page.getByRole('form', { name: /^Leg press/ });
  const set = async (side: string, load: string) => {
    await press.getByLabel(`${side}, load in kg`).fill(load);
    await press.getByLabel(`${side}, repetitions`).fill('5');
    await press.getByLabel(`${side}, in reserve`).fill('1');
  };
  await set('Left, sore', '100');
  await set('Right', '120');
  await press.getByText(/Maximum 120 kg on the sore side/).click();
  await expect(press.getByRole('table', { name: 'Loads by repetitions' })).toContainText('10 RM90 kg');
  await expect(press.getByText(/By this: Leg press, one leg: .* kg for 15 RM/)).toBeVisible();
  await press.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();

  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as a table (CSV)' }).click(),
  ]);
  const csv = readFileSync(await file.path(), 'utf8');
  expect(csv).toContain('leg_press_maximum,');
  const take = async (text: string) =>
    page
      .getByLabel('Table of measures')
      .setInputFiles({ name: 'sheet.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await take(csv);
  await expect(page.getByText('Nothing new: every row was there already.')).toBeVisible();
  await take('measure,on,affected,unaffected\nrange_of_motion,2026-02-30,118,130\nluck,2026-02-20,1,2\n');
  await expect(page.getByText('Nothing was imported.')).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Row 3: Measure must be a measure of the library.' }),
  ).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Row 2: On names a date that does not exist.' }),
  ).toBeVisible();
});

test('a measure is copied, made the practice’s own, and offered in every case', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('tab', { name: 'Measures' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Copy Hop for distance' }).click();
  await page.getByLabel('Title').fill('Hop over the ring');
  await page.getByLabel('Highest possible').fill('0');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText(/over the lowest/)).toBeVisible();
  await page.getByLabel('Highest possible').fill('600');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText(/Version 2 is saved/)).toBeVisible();
  await page.getByRole('link', { name: 'Round' }).first().click();
  await page.getByRole('link', { name: 'Open Piet Olander' }).click();
  await page.getByRole('region', { name: 'Measures' }).getByRole('link', { name: 'Over time' }).click();
  await page
    .getByRole('combobox', { name: 'Measure something else' })
    .or(page.getByRole('button', { name: 'Measure Hop over the ring' }))
    .first()
    .click();
  await expect(page.getByText('Hop over the ring').first()).toBeVisible();
});

test('a hold at a share of the maximum is held by the gauge on the phone', async ({ browser }) => {
  const phone = await athlete(browser, 'piet.olander');
  await startSession(phone);
  await expect(phone.getByText(/70 % of your maximum is \d+ N; stay between \d+ and \d+\. Measured on/)).toBeVisible();
  await phone.getByRole('button', { name: /^Hold by the gauge: \d+ N$/ }).click();
  const gauge = phone.getByRole('region', { name: 'Gauge' });
  await gauge.getByRole('button', { name: 'Simulated gauge' }).click();
  await expect(gauge.getByText('✓ in the band')).toBeVisible();
  await expectAccessible(phone);
  // The pacer goes beside it, and the gauge is put away without ending the set.
  await expect(phone.getByRole('button', { name: 'Start', exact: true })).toBeVisible();
  await gauge.getByRole('button', { name: 'Put it away' }).click();
  await expect(gauge).toBeHidden();
});
