import { readFile } from 'node:fs/promises';
import { expect, heldUp, openJob, part, snags, test } from './endrel.ts';

test('the list shows each job with its next measurement and its worst snag', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: 'Beach patrol buggy' })).toContainText(
    '5 to measure; next: tank depth',
  );
  await expect(page.getByRole('listitem').filter({ hasText: 'Tarrow 30' })).toContainText(
    'is a fine filter before the pump',
  );
  await expect(page.getByRole('listitem').filter({ hasText: 'Mail van' })).toContainText('Nothing wrong found');
  await page.getByLabel('Find a job').fill('sprint');
  await expect(page.getByRole('listitem')).toHaveCount(1);
});

test('working opens for rail pressure, demand and margin, with formula, values, units and source', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Run');
  await page.getByRole('button', { name: /Working of the demand/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Q = P · b · (14.7 / AFR) / ρ');
  await expect(sheet.getByRole('row', { name: /^AFR/ })).toContainText('9.81');
  await sheet.getByRole('button', { name: 'Pump margin' }).click();
  await expect(sheet).toContainText('margin = Qₐ / Qₑ − 1');
  await sheet.getByRole('button', { name: 'Rail pressure at full load', exact: true }).click();
  await expect(sheet.getByRole('row', { name: /Hanger pump/ })).toContainText('+');
  await expect(sheet).toContainText('Churchill 1977');
  await sheet.getByRole('button', { name: 'change' }).first().click();
  await expect(page.getByLabel('System voltage, running')).toBeFocused();
});

test('the keyboard alone walks the run, the snags and the missing measurements', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  await part(page, /^Fine filter on the pickup/).focus();
  await page.keyboard.press('ArrowRight');
  await expect(part(page, /^Hanger pump/)).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Hanger pump' })).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.press('n');
  await expect(snags(page).locator('[data-snag]').nth(1).getByRole('button').first()).toBeFocused();
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog', { name: 'Rail pressure at full load' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: /Working of the pressure at full load/ })).toContainText('psi');
  await page.keyboard.press('/');
  await page.getByRole('textbox', { name: 'Find' }).fill('buggy');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Beach patrol buggy/ })).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByLabel(/^Tank depth/)).toBeFocused();
  await page.keyboard.press('Escape');
  await page.getByLabel(/^Tank depth/).blur();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Stages and keyboard' })).toBeVisible();
});

test('a key pressed before anything is computed acts when it is', async ({ page }) => {
  const letGo = await heldUp(page, /calc\.worker.*\.js$/);
  await openJob(page, 'Beach patrol buggy', 'Run');
  await page.keyboard.press('m');
  letGo();
  await expect(page.getByLabel(/^Tank depth/)).toBeFocused();
});

test('keys pressed before anything is computed act when it is', async ({ page }) => {
  const letGo = await heldUp(page, /calc\.worker.*\.js$/);
  await openJob(page, 'Tarrow 30', 'Run');
  await page.keyboard.press('n');
  await page.keyboard.press('n');
  letGo();
  await expect(snags(page).locator('[data-snag]').nth(1).getByRole('button').first()).toBeFocused();
});

test('a part of the page that cannot be fetched says so, and is asked for again', async ({ page }) => {
  let isRefused = true;
  await page.route(/RunStrip.*\.js$/, (route) => (isRefused ? route.abort() : route.continue()));
  await openJob(page, 'Beach patrol buggy', 'Run');
  await expect(page.getByText(/^This part of the page could not be fetched/)).toBeVisible();
  isRefused = false;
  await expect(part(page, /^Suction hose/)).toBeVisible();
});

test('the cards print without the screen around them, and come as CSV and PDF', async ({ page }, info) => {
  await openJob(page, 'Mail van 4', 'Cards');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As CSV' }).click(),
  ]);
  const file = info.outputPath('card.csv');
  await download.saveAs(file);
  const csv = await readFile(file, 'utf8');
  expect(csv).toContain('buy,Hanger pump,');
  expect(csv).toContain('cut,Engine feed hose,');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As PDF' }).click(),
  ]);
  expect(pdf.suggestedFilename()).toBe('cards-a4.pdf');
  expect((await readFile(await pdf.path())).subarray(0, 5).toString()).toBe('%PDF-');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'To buy or find' })).toBeVisible();
  for (const hidden of [
    page.getByRole('navigation', { name: 'Stages' }),
    snags(page),
    page.getByRole('button', { name: 'Print' }),
    page.getByRole('radiogroup'),
  ])
    await expect(hidden).toBeHidden();
  for (const sheet of await page.getByRole('article').all())
    await expect(sheet.getByText(/Mail van 4.*revision 1/)).toBeVisible();
});

test('layouts are compared side by side and one is laid out without losing a part', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Layout');
  await expect(page.getByRole('row', { name: /^Rail at full load/ }).getByText(/kPa/)).toHaveCount(6);
  await page.getByRole('checkbox', { name: 'Carburettor, bypass' }).check();
  await expect(page.getByRole('columnheader')).toHaveCount(7);
  await page.getByRole('cell', { name: 'Lay it out so' }).nth(1).getByRole('button').click();
  await expect(part(page, /^Engine feed hose/)).toBeVisible();
  await expect(snags(page)).toContainText('has no manifold reference, and the engine is boosted');
});

test('every edit is computed in the worker and shows its consequences', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  await part(page, /^Engine feed hose/).click();
  const computed = () => page.evaluate(() => performance.getEntriesByName('endrel: edit to consequences').length);
  const loss = page.getByRole('row', { name: /^Engine feed hose/ }).first();
  for (const length of ['530 mm', '1040 mm', '2050 mm']) {
    const [before, shown] = [await computed(), await loss.innerText()];
    await page.getByLabel(/^Hose length/).fill(length);
    await page.getByLabel(/^Hose length/).press('Enter');
    // how long it takes is measured by npm run bench, where nothing else runs beside it
    await expect.poll(computed).toBeGreaterThan(before);
    await expect(loss).not.toHaveText(shown);
  }
});

test('the survey can be filled in on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openJob(page, 'Beach patrol buggy', 'Survey');
  const field = page.getByLabel(/^Tank depth/);
  const box = await field.boundingBox();
  expect(box!.height).toBeGreaterThanOrEqual(44);
  expect(box!.x + box!.width).toBeLessThanOrEqual(390);
  await field.fill('12 1/2 in');
  await field.press('Enter');
  await expect(page.getByText('= 317.5 mm')).toBeVisible();
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(overflow).toBeLessThanOrEqual(0);
});
