import { expect, expectAccessible, fill, openJob, part, snags, test } from './endrel.ts';

const tab = 'tab' as const;

test('the vapour pressure is asked with the season as help, and winter fuel chokes the pump on the strip, in the table and as a snag', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Brief');
  await page.getByRole(tab, { name: 'Fuel' }).click();
  await expect(page.getByRole('button', { name: /^summer/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: /^winter/ }).click();
  await expect(page.getByLabel(/^Reid vapour pressure, as sold/)).toHaveValue('90 kPa');
  await expect(snags(page)).toContainText('Hot fuel boils at the pump’s inlet.');
  await expectAccessible(page);
  await page.getByRole('link', { name: /^Run/ }).click();
  await page.getByRole('radio', { name: /^Full load, hot fuel, low voltage/ }).click();
  await expect(page.getByRole('row', { name: /^full, hot, low V/ })).toContainText('choked');
  await expect(page.getByText('choked: it draws vapour')).toBeAttached();
  await part(page, /^Hanger pump/).click();
  await expect(page.getByRole('row', { name: /^full, hot, low V/ })).toContainText('choked');
});

test('a siphon’s drill is proposed and cures its snag; the chart shows the set', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Pump & hanger');
  await page.getByRole(tab, { name: 'Pickup, return, siphon' }).click();
  await fill(page, /^Siphon jet drill/, '1.5 mm');
  const snag = snags(page).locator('[data-snag="siphon-jet"]');
  await expect(snag).toContainText('too small for this pump');
  await snag.getByRole('button').first().click();
  await snag.getByRole('button', { name: /^Drill it to/ }).click();
  await expect(snags(page).getByText('The siphon jet is too small for this pump.')).toHaveCount(0);
  await expect(page.getByRole('img', { name: /brought across against the drill/ })).toBeVisible();
  await expectAccessible(page);
});

test('standing hot: a line without a check valve loses its pressure and boils; a sleeve and a valve help', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Run');
  await page.getByRole(tab, { name: 'Heat over a drive' }).click();
  await expect(page.getByText('Nothing boils: the pressure that is left')).toBeVisible();
  await part(page, /^Hanger pump/).click();
  await page.getByLabel(/^Check valve in the outlet/).selectOption('no');
  await page.getByRole(tab, { name: 'Heat over a drive' }).click();
  await expect(page.getByText(/boils from .* on/)).toBeVisible();
  await expect(page.getByText('no check valve, or the regulator bleeds')).toBeVisible();
  await expectAccessible(page);
});

test('36 lb/h injectors are judged, with what another pressure would give', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Brief');
  await fill(page, /^Size of one injector/, '10 lb/h');
  await expect(snags(page)).toContainText('The injectors cannot bring what the engine burns at full load.');
  await fill(page, /^Size of one injector/, '36 lb/h');
  await expect(snags(page)).toContainText('No snags found');
  await expect(page.getByRole('row', { name: /^400 kPa/ })).toBeVisible();
  await expectAccessible(page);
});

test('a cure that costs another snag says so in its button', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  const snag = snags(page).locator('[data-snag="return-end:return-drop-1"]');
  await snag.getByRole('button').first().click();
  await expect(
    snag.getByRole('button', { name: 'End it 19 mm over the tank’s floor, but brings up another snag' }),
  ).toBeVisible();
  await expect(snag).toContainText('Brings up: “Return drop” ends beside the pickup.');
});

test('a moulded lid, an O-ring groove and a collar are drawn and downloaded at true size', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Pump & hanger');
  await page.getByRole(tab, { name: 'Plate' }).click();
  await fill(page, /^O-ring cord/, '3.5 mm');
  await expect(page.getByText(/deep, .* wide/)).toBeVisible();
  await fill(page, /^Sock goes onto a tube of/, '8 mm');
  await fill(page, /^Neck that the sock was made for/, '12 mm');
  await page.getByLabel('collar for the sock').check();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'SVG' }).click()]);
  expect(file.suggestedFilename()).toBe('adapter.svg');
  await page.getByLabel(/^Lid is/).selectOption('moulded');
  await fill(page, /^Flat of the lid/, '110 mm');
  await expect(page.getByRole('img', { name: /^Moulded lid/ })).toBeVisible();
  await expectAccessible(page);
});
