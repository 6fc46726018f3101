import { expect, openJob, part, saved, snags, test } from './endrel.ts';

test('a snag appears when the mistake is made, and its cure removes it', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await expect(snags(page)).toContainText('No snags found');
  await part(page, /^Fuel rail/).click();
  await page.locator('[data-port="out"] summary').click();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(snags(page)).toContainText('“Fuel rail” has a port that nothing closes: second end.');
  await expect(part(page, /^Fuel rail: stop/)).toBeVisible();
  await snags(page).getByRole('button', { name: 'Cap the port' }).click();
  await expect(snags(page)).toContainText('No snags found');
  await page.keyboard.press('Control+z');
  await expect(snags(page)).toContainText('a port that nothing closes');
});

test('a cure shows beforehand what else it changes', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  const first = snags(page).locator('li').first();
  await expect(first).toContainText('fine filter before the pump');
  await expect(first).toContainText('10 µm');
  await expect(first).toContainText('Also cures: Hot fuel boils at the pump’s inlet.');
  await first.getByRole('button', { name: 'Move it after the pump' }).click();
  await expect(snags(page)).not.toContainText('fine filter before the pump');
  await expect(snags(page)).not.toContainText('Hot fuel boils');
});

test('a fix can be lived with for a typed reason, a stop cannot', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const vent = snags(page).locator('[data-snag="tank-vent"]');
  await vent.getByRole('button', { name: 'Live with it' }).click();
  await expect(vent.getByRole('button', { name: 'Overrule with this reason' })).toBeDisabled();
  await vent.getByLabel(/Your reason/).fill('neck is moved next week');
  await vent.getByRole('button', { name: 'Overrule with this reason' }).click();
  await expect(snags(page)).toContainText('1 overruled');
  await saved(page);
  await page.reload();
  await expect(snags(page)).toContainText('1 overruled');
  const stop = snags(page).locator('[data-snag="open-port:rail-1"]');
  await stop.getByRole('button').first().click();
  await expect(stop.getByRole('button', { name: 'Cap the port' })).toBeVisible();
  await expect(stop.getByRole('button', { name: 'Live with it' })).toHaveCount(0);
});

test('a pump table that is not monotone is named, with its row, and nothing typed is lost', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Hanger pump/).click();
  const cell = page.getByLabel('Flow', { exact: true }).nth(2);
  await cell.fill('300 L/h');
  await cell.press('Tab');
  await expect(snags(page)).toContainText('The flow table of “Hanger pump” is not monotone: row 3');
  await expect(page.getByText('Row 3: flow must fall as pressure rises')).toBeVisible();
  await expect(cell).toHaveValue('300 L/h');
  await cell.fill('255');
  await cell.press('Tab');
  await expect(snags(page)).toContainText('No snags found');
});

test('a gap in the run is said in words, and closed again by putting the part back', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Fuel rail/).click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(snags(page)).toContainText(
    'The supply ends at “Engine feed hose”: there is a gap between it and the engine',
  );
  await page.getByRole('button', { name: 'Put a part on it' }).click();
  await page.getByRole('menuitem', { name: 'Fuel rail' }).click();
  await expect(snags(page)).not.toContainText('there is a gap');
});
