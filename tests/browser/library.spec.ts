import { expect, test } from '@playwright/test';

import { expectAccessible, practitioner } from './people';

test('the library is searched, and two programmes are compared', async ({ page }) => {
  await practitioner(page);
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('button', { name: 'Kneecap tendon' }).click();
  const ladder = page.getByRole('region', { name: 'Knee holds' });
  await expect(ladder.getByRole('listitem')).toHaveCount(6);
  await ladder.getByRole('button', { name: 'Wall sit, high' }).click();
  await expect(page.getByRole('region', { name: 'Exercise' })).toContainText('Back against a wall');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  // Its figure moves until it is stopped, and stands at both ends where movement is unwanted.
  const figure = page.getByRole('region', { name: 'Exercise' }).locator('svg[data-figure="wall_sit_high"]');
  // Each rung has its small picture.
  await expect(ladder.locator('svg[data-figure]')).toHaveCount(6);
  const level = () => figure.getAttribute('data-level');
  const before = await level();
  await expect.poll(level).not.toBe(before);
  await page.getByRole('button', { name: 'Stop the figure of Wall sit, high' }).click();
  await expect(page.getByRole('button', { name: 'Move the figure of Wall sit, high' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const stopped = await level();
  await page.evaluate(
    () =>
      new Promise((over) => {
        setTimeout(over, 300);
      }),
  );
  expect(await level()).toBe(stopped);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect(figure).toHaveCount(2);
  expect(await figure.first().getAttribute('data-level')).toBe('0.0000');
  expect(await figure.last().getAttribute('data-level')).toBe('1.0000');
  await page.getByRole('button', { name: 'All structures' }).click();
  await page.keyboard.press('/');
  await page.keyboard.type('Achilles, no equipment, hold');
  await expect(page.getByRole('region', { name: 'Found' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Clear' }).click();

  await page.getByRole('tab', { name: 'Programmes' }).click();
  await page.getByRole('button', { name: 'Achilles midportion' }).click();
  await expect(page.getByRole('region', { name: 'Heel, slow load' })).toContainText('Calf hold, both legs');
  await page.getByRole('button', { name: 'How it goes over weeks' }).click();
  await expect(
    page.getByRole('img', {
      name: /^A steady athlete: everything is done, nothing flares: Holds to day \d+, Slow raises to day \d+.*Ends in week \d+\.$/,
    }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /^A slower one/ })).toBeVisible();
  await page.getByRole('button', { name: 'How it goes over weeks' }).click();
  await page.getByRole('combobox', { name: 'Compare with' }).click();
  await page.getByRole('option', { name: 'Heel lowering, twice a day' }).click();
  await expect(page.getByRole('row', { name: /^School/ })).toContainText('No worse next morning');
  await expect(page.getByRole('row', { name: /^School/ })).toContainText('Moderate pain, wider steps');
});

test('a rule is copied and changed under the same checks; a broken file is refused whole', async ({ page }) => {
  await practitioner(page);
  await page.goto('/library?view=rules');
  await page.getByRole('button', { name: /^Little pain, slow steps/ }).click();
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await page.getByLabel('Loading stops at').fill('9');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Stop at must be 8 at most')).toBeVisible();
  await expect(page.getByLabel('Loading stops at')).toHaveValue('9');
  await page.getByLabel('Loading stops at').fill('5');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByRole('button', { name: 'Save as version 3' })).toBeDisabled();
  await expectAccessible(page);

  await page.goto('/library?view=own');
  await expect(page.getByText('Little pain, slow steps, our own')).toBeVisible();
  const broken = {
    format: 'rung-library/1',
    ladders: [
      {
        key: 'ours',
        title: 'Ours',
        rungs: [
          { exercise: 'squat', demand: 2 },
          { exercise: 'nothing', demand: 1, changes: ['load'] },
        ],
      },
    ],
  };
  await page
    .getByLabel('Library file')
    .setInputFiles({ name: 'library.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(broken)) });
  await expect(page.getByText('Nothing was imported.')).toBeVisible();
  await expect(page.getByText('ladders.0.rungs.1.demand')).toBeVisible();
  await expect(page.getByText('ladders.0.rungs.1.exercise')).toBeVisible();

  // A sound file is shown with what it changes, and taken in when that was seen.
  const sound = await page.evaluate(() => fetch('/api/library/file').then((answer) => answer.text()));
  const upload = (text: string) =>
    page
      .getByLabel('Library file')
      .setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await upload(sound);
  const changes = page.getByRole('region', { name: 'What ours.json changes' });
  await expect(changes).toContainText('is the same already');
  await expect(changes).toContainText('Nothing would change.');
  await changes.getByRole('button', { name: 'Close' }).click();
  await upload(sound.replace('Little pain, slow steps, our own', 'Little pain, our way'));
  await expect(changes).toContainText('Little pain, our way (school): becomes a new version');
  await changes.getByRole('button', { name: 'Import 1 item' }).click();
  await expect(page.getByText('1 item imported.')).toBeVisible();
  await upload(sound);
  await changes.getByRole('button', { name: 'Import 1 item' }).click();
  await expect(page.getByText('Little pain, slow steps, our own')).toBeVisible();

  await page.getByRole('link', { name: 'Edit Little pain, slow steps, our own' }).click();
  await page.getByRole('button', { name: 'Stop offering it' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto('/library?view=own');
  await expect(page.getByText('Little pain, slow steps, our own')).toBeVisible();
});

test('a programme is written as a form: stages, exercises, ways to grow and criteria by name', async ({ page }) => {
  await practitioner(page);
  await page.goto('/library/programme/knee_comfort_led');
  // What ships is looked at: nothing can be added or moved.
  await expect(page.getByRole('region', { name: 'Stage 1 Holds' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add a stage …' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Copy into our library' }).click();
  const holds = page.getByRole('region', { name: 'Stage 1 Holds' });
  const slow = page.getByRole('region', { name: 'Stage 2 Slow strength' });
  await expect(page.getByRole('button', { name: 'Add a stage …' })).toBeVisible();

  await holds.getByRole('button', { name: 'Add a criterion …' }).click();
  await page.getByRole('menuitem', { name: 'Technique signed off' }).click();
  await holds.getByRole('button', { name: 'Technique signed off: up' }).click();
  await holds.getByRole('button', { name: 'Remove Days in the stage' }).click();
  await holds.getByRole('group', { name: 'The morning test' }).getByLabel('At most').fill('2');
  await holds.getByLabel('Add an exercise', { exact: true }).fill('wall sit, high');
  await page.getByRole('option', { name: 'Wall sit, high', exact: true }).click();
  const added = holds.getByRole('group', { name: 'Wall sit, high', exact: true });
  await added.getByRole('button', { name: 'Add a way to grow …' }).click();
  await page.getByRole('menuitem', { name: 'Longer hold' }).click();
  // Sets that were taken off come back first: the catalogue's own rule.
  await added.getByRole('button', { name: 'Add a way to grow …' }).click();
  await page.getByRole('menuitem', { name: 'More sets' }).click();
  await added.getByRole('button', { name: 'More sets: up' }).click();
  await added.getByRole('group', { name: 'Longer hold' }).getByLabel('Up to').fill('900');
  await added.getByRole('button', { name: 'Add to the dose …' }).click();
  await page.getByRole('menuitem', { name: 'Reserve' }).click();
  await added.getByLabel('In reserve').fill('');

  // What begins later stands by itself, with what it waits for by its name.
  const hips = holds.getByRole('group', { name: 'Side steps with a band' });
  await expect(hips.getByLabel('Begins', { exact: true })).toHaveText('once something is found beside it');
  await expect(hips.getByLabel('Found')).toHaveText('The hip gives way to the side');
  await hips.getByLabel('Found').click();
  await page.getByRole('option', { name: 'A stiff ankle' }).click();
  await slow.getByLabel('Add an exercise that begins later').fill('wall sit, high');
  await page.getByRole('option', { name: 'Wall sit, high', exact: true }).click();
  const later = slow.getByRole('group').filter({ has: page.getByLabel('Week of the stage') });
  await later.getByLabel('Week of the stage').fill('60');
  await later.getByRole('button', { name: 'Add a way to grow …' }).click();
  await page.getByRole('menuitem', { name: 'More sets' }).click();

  // A stage goes only after it is asked; the order is kept.
  await slow.getByRole('button', { name: 'Remove Stage 2 Slow strength' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(slow).toBeVisible();
  const last = page.getByRole('region', { name: /^Stage 4/ });
  const name = (await last.getAttribute('aria-label')) ?? '';
  await last.getByRole('button', { name: `Remove ${name}` }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove the stage' }).click();
  await expect(last).toHaveCount(0);

  // What is wrong is shown at its field, though it was folded away, and nothing typed is lost.
  await added.getByRole('button', { name: 'Wall sit, high', exact: true }).click();
  await expect(added.getByRole('group', { name: 'Longer hold' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(added.getByText(/from 0 to 600/)).toBeVisible();
  await expect(later.getByText(/from 2 to 52/)).toBeVisible();
  await later.getByLabel('Week of the stage').fill('3');
  await expect(holds.getByRole('group', { name: 'The morning test' }).getByLabel('At most')).toHaveValue('2');
  await added.getByRole('group', { name: 'Longer hold' }).getByLabel('Up to').fill('60');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByRole('button', { name: 'Save as version 3' })).toBeDisabled();
  await page.reload();
  await expect(holds.getByRole('group', { name: 'The morning test' }).getByLabel('At most')).toHaveValue('2');
  await expect(holds.getByRole('group', { name: 'Technique signed off' })).toBeVisible();
  await expect(holds.getByRole('group', { name: 'Days in the stage' })).toHaveCount(0);
  await expect(added).toContainText(' s · rest ');
  await added.getByRole('button', { name: 'Wall sit, high', exact: true }).click();
  await expect(added.getByRole('group', { name: 'Longer hold' }).getByLabel('Up to')).toHaveValue('60');
  await expect(added.getByLabel('In reserve')).toHaveCount(0);
  await expect(hips.getByLabel('Found')).toHaveText('A stiff ankle');
  await expect(later.getByLabel('Week of the stage')).toHaveValue('3');
  await expect(page.getByRole('region', { name: /^Stage 4/ })).toHaveCount(0);
});
