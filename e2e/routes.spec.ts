import { readFile } from 'node:fs/promises';
import { expect, fill, openJob, saved, snags, tab, test, type Page } from './endrel.ts';

const lines = (page: Page) => page.getByRole('navigation', { name: 'Lines' });

test('lines lie under the vehicle, from every side and in the round, with the keyboard alone too', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Routes');
  await expect(
    page.getByRole('img', { name: /^Plan, from above: 3 of 3 lines drawn, 10 zones, every gap kept/ }),
  ).toBeVisible();
  // the line that is chosen is dimensioned, from whichever side
  const drawing = page.getByRole('img', { name: /lines drawn/ });
  await expect(drawing).not.toContainText('4500 mm');
  await tab(page, 'Lines');
  await lines(page)
    .getByRole('button', { name: /^Feed line/ })
    .click();
  await tab(page, 'Map');
  await expect(drawing).toContainText('4500 mm');
  await expect(drawing).toContainText('170 mm');
  await page.getByRole('button', { name: 'Side', exact: true }).click();
  await expect(drawing).toContainText('140 mm');
  await expect(page.getByRole('img', { name: /^From the left side/ })).toBeVisible();
  await page.getByRole('button', { name: 'In the round' }).click();
  const solid = page.getByRole('img', { name: /in the round/ });
  await solid.focus();
  const before = await solid.screenshot();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  expect((await solid.screenshot()).equals(before)).toBe(false);
  // a point by two tapes and a height comes out, with what the tapes are out
  const filter = page.getByRole('region', { name: 'Points' }).locator('> ol > li').nth(2);
  await expect(filter).toContainText(/From the datum 4049.8, 550.1, 420 mm/);
  await expect(filter).toContainText('tapes out by');
});

test('a hose is found: ends, clocking and length; taken in one act, and undone', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Routes');
  await tab(page, 'Lines');
  await lines(page)
    .getByRole('button', { name: /^Engine feed hose/ })
    .click();
  await fill(page, /^Hose length/, '400 mm');
  await expect(snags(page)).toContainText('“Engine feed hose” is shorter than the way between its ends.');
  await page.getByRole('button', { name: 'Find ends and length' }).click();
  const use = page.getByRole('button', { name: /: use it$/ }).first();
  await expect(use).toBeVisible({ timeout: 30_000 });
  await use.click();
  await expect(page.getByLabel(/^Hose length/)).not.toHaveValue('400 mm');
  await expect(snags(page).getByText('is shorter than the way between its ends').locator('visible=true')).toHaveCount(
    0,
    { timeout: 15_000 },
  );
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByLabel(/^Hose length/)).toHaveValue('400 mm');
});

test('an exhaust that comes too near is a snag in the gutter, in the views and the table; its cure moves the line', async ({
  page,
}) => {
  await openJob(page, 'Island shuttle', 'Routes');
  const zone = page.getByRole('region', { name: 'Zones' }).locator('> ol > li').nth(1);
  await expect(zone.getByLabel(/^Zone/)).toHaveValue('Exhaust');
  for (const [field, values] of [
    ['Rearward', [1200, 1340]],
    ['Left', [550, 550]],
    ['Up', [310, 310]],
  ] as const)
    for (const i of [0, 1]) {
      const input = zone.getByLabel(new RegExp(`^${field}`)).nth(i);
      await input.fill(`${values[i]} mm`);
      await input.press('Tab');
    }
  await expect(snags(page)).toContainText(/“Feed line” (is too near to|runs through) “Exhaust”/);
  await expect(page.getByRole('img', { name: /^Plan, from above: .* gaps? too small/ })).toBeVisible();
  await tab(page, 'Clearances');
  await expect(page.getByRole('row', { name: /Feed line Exhaust/ })).toBeVisible();
  await snags(page)
    .getByRole('button', { name: /^Move it/ })
    .click();
  await expect(snags(page).locator('[data-snag]').filter({ hasText: 'Exhaust' })).toHaveCount(0);
});

test('a tube is bent on paper: table, marks, files out and in, a wrong bend, a part put in', async ({ page }, info) => {
  await openJob(page, 'Island shuttle', 'Routes');
  await tab(page, 'Lines');
  const bench = page.getByRole('article', { name: 'Feed line' });
  const table = bench.getByRole('table', { name: /^Bend table/ });
  await expect(table.getByRole('row')).toHaveCount(8); // a heading, six bends, the last straight
  await bench.getByRole('textbox', { name: 'Bender' }).fill('Blue lever bender');
  await fill(page, /^Centre-line radius/, '40 mm');
  await expect(table).toContainText('on 40 mm');
  await bench.getByRole('button', { name: 'Keep it for the shop' }).click();
  await expect(bench.getByRole('combobox', { name: 'the shop’s benders' })).toContainText('Blue lever bender');
  const take = async (name: string) => {
    const [download] = await Promise.all([page.waitForEvent('download'), bench.getByRole('button', { name }).click()]);
    const file = info.outputPath(download.suggestedFilename());
    await download.saveAs(file);
    return readFile(file);
  };
  const csv = String(await take('Bend table, CSV'));
  expect(csv.split('\n')[0]!.trim()).toBe('straight_mm,rotation_deg,bend_deg');
  expect(csv.trim().split('\n')).toHaveLength(8);
  expect(String(await take('DXF'))).toContain('TUBE');
  expect((await take('Wrap strips and views, PDF')).subarray(0, 5).toString()).toBe('%PDF-');
  await bench.getByText('A bend went wrong').click();
  await bench.getByLabel('it came to, °').fill('60');
  await expect(bench).toContainText('does not go back without a crease');
  await bench.getByText('Put a part into this line').click();
  await bench.getByLabel('its middle, along the line, mm').fill('2000');
  await bench.getByLabel('from tube end to tube end, mm').fill('120');
  await expect(bench).toContainText(/In straight 5: cut at/);
  const input = bench.locator('input[type="file"]');
  const points = Buffer.from('x,y,z\n4050,550,420\n3000,550,420\n100,380,480\n-450,380,480\n');
  await input.setInputFiles({ name: 'way.csv', mimeType: 'text/csv', buffer: points });
  await expect(table.getByRole('row')).toHaveCount(4);
  const broken = Buffer.from('x,y,z\n0,0,0\nten,0,0\n');
  await input.setInputFiles({ name: 'broken.csv', mimeType: 'text/csv', buffer: broken });
  await expect(bench.getByRole('alert')).toContainText('Row 3: x: “ten” is not a number');
  await expect(table.getByRole('row')).toHaveCount(4);
  await input.setInputFiles({
    name: 'huge.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`x,y,z\n${'1,2,3\n'.repeat(100_000)}`),
  });
  await expect(bench.getByRole('alert')).toContainText('more than 2000 rows');
  await saved(page);
});

test('places for a part are compared on one page, each solved', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Routes');
  await tab(page, 'Where to put it');
  const table = page.getByRole('table', { name: 'Places compared' });
  await expect(table.getByRole('columnheader')).toHaveCount(3, { timeout: 30_000 });
  await expect(table.getByRole('row', { name: /^hand and spanner reach it/ })).toContainText(/yes.*no/);
  await expect(table.getByRole('row', { name: /^pump margin/ })).toContainText('%');
});

test('a job without routes says what to measure first', async ({ page }) => {
  await openJob(page, 'Beach patrol buggy', 'Routes');
  await expect(page.getByText('Nothing has a place yet')).toBeVisible();
  await tab(page, 'Lines');
  await expect(page.getByText('It can be drawn once these are measured:')).toBeVisible();
  await expect(page.getByRole('button', { name: 'where the inlet of Coarse filter is' })).toBeVisible();
  await tab(page, 'Clearances');
  await expect(page.getByText('No line is placed yet: measure its two ports on the map.')).toBeVisible();
  // by keyboard: what is added is filled in at once, from its first field on
  await tab(page, 'Map');
  await page.getByRole('button', { name: 'Add a point' }).press('Enter');
  await expect(page.getByRole('textbox', { name: 'Point' })).toBeFocused();
  await page.getByRole('button', { name: 'Add a zone' }).press('Enter');
  await expect(page.getByRole('textbox', { name: 'Zone' })).toBeFocused();
});
