import { expect, test } from '@playwright/test';

import { audioClock, expectAccessible, practitioner } from './people';

test('a visit is measured by keyboard, tried with the pacer, and ends in the record', async ({ page }) => {
  await page.addInitScript(audioClock, 200);
  await practitioner(page);
  await page.getByRole('link', { name: 'Open Juno Tamsin' }).click();
  await page.getByRole('heading', { name: 'Juno Tamsin' }).waitFor();
  await page.keyboard.press('v');
  await expect(page.getByRole('heading', { name: 'Juno Tamsin: visit' })).toBeVisible();
  await expectAccessible(page);

  // Two tests and a score, never touching the mouse; an empty one is passed over.
  const measure = page.getByRole('region', { name: 'Measure' });
  const strength = measure.getByRole('form', { name: 'Knee extension strength' });
  await strength.getByRole('textbox', { name: 'Left, sore, try 1' }).fill('370');
  await page.keyboard.press('Enter');
  await expect(strength.getByRole('textbox', { name: 'Left, sore, try 2' })).toBeFocused();
  await page.keyboard.type('380');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(strength.getByRole('textbox', { name: 'Right, try 1' })).toBeFocused();
  await page.keyboard.type('420');
  await expect(strength.getByText('Sore against other side: 90.5 %')).toBeVisible();
  await expect(strength.getByText('Best 380 N. Try 2 of 3.')).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(strength.getByRole('status')).toContainText('Today: 380 and 420 N');
  await expect(strength.getByRole('textbox', { name: 'Left, sore, try 1' })).toHaveValue('');
  const range = measure.getByRole('form', { name: 'Range of movement' });
  await range.getByRole('textbox', { name: 'Left, sore, try 1' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(range.getByRole('textbox', { name: 'Right, try 1' })).not.toBeFocused();
  const score = measure.getByRole('form', { name: 'Severity score' });
  await score.getByLabel('Both together').fill('400');
  await page.keyboard.press('Enter');
  await expect(score.getByText(/from 0 to 100/)).toBeVisible();
  await score.getByLabel('Both together').fill('81');
  await page.keyboard.press('Enter');
  await expect(score.getByRole('status')).toContainText('Today: 81');

  // A set goes by the pacer on this screen; what was done stands ready.
  const room = page.getByRole('region', { name: 'Try in the room' });
  await room.getByRole('button', { name: 'Pace a set on this screen' }).click();
  await room.getByRole('button', { name: 'Start' }).click();
  const borne = room.getByRole('form', { name: 'How it was tolerated' });
  await expect(borne.getByLabel('Repetitions')).not.toHaveValue('');
  await borne.getByLabel('Load, kg').fill('abc');
  await expect(borne.getByText('Kilograms, from 0 to 1000.')).toBeVisible();
  await expect(borne.getByRole('button', { name: 'Keep this try' })).toBeDisabled();
  await borne.getByLabel('Load, kg').fill('62,5');
  await borne
    .getByRole('radiogroup', { name: 'Worst pain in it' })
    .getByRole('radio', { name: '2', exact: true })
    .click();
  await borne.getByRole('group', { name: 'In reserve' }).getByRole('button', { name: '2' }).click();
  await borne.getByRole('button', { name: 'Keep this try' }).click();
  await expect(room.getByRole('list', { name: 'Tried' })).toContainText('at 62.5 kg: pain 2, 2 in reserve');
  await expectAccessible(page);

  // Looking at the case in between loses nothing.
  await page.getByRole('link', { name: 'Back to the case' }).click();
  await page.getByRole('link', { name: 'Visit' }).click();
  await expect(room.getByRole('list', { name: 'Tried' })).toContainText('at 62.5 kg');
  const end = page.getByRole('region', { name: 'End the visit' });
  await end.getByLabel('Note (may be left empty)').fill('Depth is even now');
  await end.getByRole('button', { name: 'End, and back to the case' }).click();
  const line = page.getByRole('region', { name: 'Record of decisions' }).getByRole('listitem').first();
  await expect(line).toContainText(
    'at 62.5 kg: pain 2 of 10, 2 in reserve. Measured: Knee extension strength 380 and 420 N',
  );
  await expect(line).toContainText('Severity score 81');
  await expect(line).toContainText('Note: Depth is even now');
});

test('under a stop nothing is tried', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('region', { name: 'Stopped' }).getByRole('link').first().click();
  await page.getByRole('link', { name: 'Visit' }).click();
  await expect(page.getByText('A stop is open. Nothing is tried')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pace a set on this screen' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'End, and prescribe' })).toHaveCount(0);
  await expect(page.getByText('Only what does not load the tissue is measured')).toBeVisible();
  await expect(page.getByRole('form', { name: 'Range of movement' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Gauge' })).toHaveCount(0);
});
