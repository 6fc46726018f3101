import { readFile } from 'node:fs/promises';
import { expect, expectAccessible, fill, giveFile, openJob, part, saved, snags, tab, test, toStage } from './endrel.ts';

test('any school can be tried and left again: what it has no place for is set aside and taken up again', async ({
  page,
}) => {
  await openJob(page, 'Tarrow 30', 'Layout');
  await expect(page.getByText(/^Endrel would choose/)).toBeVisible();
  const column = (name: string) => page.getByRole('columnheader', { name: new RegExp(`^${name}`) });
  await expect(column('Lift pump and swirl pot')).toBeVisible();
  await expect(page.getByRole('row', { name: /^What the injectors see/ }).getByRole('img')).toHaveCount(6);
  await page
    .getByRole('cell', { name: /^Lay it out so/ })
    .nth(3)
    .getByRole('button')
    .click();
  await expect(page.getByText(/^Set aside, with their measurements:.*Return line/)).toBeVisible();
  await expect(part(page, /^Pressure sensor/)).toBeVisible();
  await fill(page, /^Why not Endrel’s choice|^Why this layout/, 'The engine brings its own controller.');
  await page
    .getByRole('cell', { name: /^Lay it out so/ })
    .first()
    .getByRole('button')
    .click();
  await expect(part(page, /^Return line/)).toBeVisible();
  await expect(part(page, /^Pressure sensor/)).toBeVisible(); // an instrument stays where it sits
  await page.getByRole('link', { name: 'Cards' }).click();
  await expect(page.getByRole('article', { name: 'To buy or find' })).toContainText(
    'The engine brings its own controller.',
  );
});

test('layouts to compare are picked, and all stand on the same axes', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Layout');
  await page.getByRole('checkbox', { name: 'Lift pump and swirl pot' }).uncheck();
  await expect(page.getByRole('columnheader')).toHaveCount(5);
  await page.getByRole('checkbox', { name: 'Carburettor, bypass' }).check();
  await expect(page.getByRole('columnheader')).toHaveCount(6);
  await expect(page.getByRole('row', { name: /^Tank after the drive/ }).getByText(/°C/)).not.toHaveCount(0);
  await expect(page.getByRole('row', { name: /^To buy/ })).toContainText('Pump controller');
});

test('a swirl pot stands on the run with its overflow; a weak lift pump lets it run down', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Run');
  await part(page, /^Swirl pot/).click();
  await expect(page.getByRole('columnheader', { name: 'runs over' })).toBeVisible();
  await part(page, /^Lift pump/).click();
  await page.getByLabel('or take a pump').selectOption({ label: 'carburettor pump, 120 L/h free flow' });
  await toStage(page, 'Brief');
  await fill(page, /^Engine power/, '420 hp');
  await expect(snags(page)).toContainText('The lift pump does not keep “Swirl pot” full');
  await page.keyboard.press('Escape');
  await page.keyboard.press('o'); // the whole run
  await expect(page.getByRole('group', { name: /^The run at/ })).toContainText('short of');
});

test('a controlled pump without its sensor stops the job, and one act puts it on the rail', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Run');
  await expect(page.getByRole('group', { name: /^The run at/ })).toContainText('% duty');
  await part(page, /^Feed pressure sensor/).click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(snags(page)).toContainText('has no pressure sensor on the run');
  await page.getByRole('button', { name: 'Put a sensor on the rail' }).click();
  await expect(snags(page)).not.toContainText('has no pressure sensor on the run');
  await expect(page.getByRole('button', { name: /Working of the pressure at full load/ })).toContainText('500 kPa');
});

test('the regulator is moved by name, and the layout follows', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Tank regulator/).click();
  await page.getByRole('button', { name: 'Move it behind the rail' }).click();
  const order = page.getByRole('group', { name: /^The run at/ }).locator('[data-part]');
  await expect(order.nth(8)).toHaveAttribute('data-part', 'regulator-1');
  await page.getByRole('button', { name: 'Move it to the tank' }).click();
  await expect(order.nth(5)).toHaveAttribute('data-part', 'regulator-1');
});

test('operating points are set apart, and one of the fitter’s own is solved beside them', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await tab(page, 'Operating points');
  await fill(page, /^System voltage/, '12 V');
  await expect(page.getByRole('row', { name: /^Full load 3/ }).getByText('12 V')).toBeVisible();
  await page.getByRole('button', { name: 'Add an operating point' }).click();
  await fill(page, /^Name of the point/, 'Long climb');
  await fill(page, /^Share of full load/, '70 %');
  await expect(page.getByRole('radio', { name: /^Long climb/ })).toBeVisible();
  await page.getByRole('radio', { name: /^Long climb/ }).click();
  await expect(page.getByRole('group', { name: 'The run at Long climb' })).toContainText('27.2 L/h drawn');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('radio', { name: /^Long climb/ })).toBeChecked();
  // the working says whose voltage it is, and leads back to it from another point and stage
  await page.getByRole('button', { name: /Working of the pressure at full load$/ }).click();
  const voltage = page.getByRole('row', { name: /voltage of the system/ });
  await expect(voltage).toContainText('chosen');
  await voltage.getByRole('button', { name: 'change' }).click();
  await expect(page.getByLabel(/^System voltage/).first()).toBeFocused();
  await expect(page.getByLabel(/^System voltage/).first()).toHaveValue('12 V');
});

test('a drive is followed until the tank is too warm; a cooler bay puts it off', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Run');
  await tab(page, 'Heat over a drive');
  await expect(page.getByText(/to trouble: the head at the pump falls below 1 m of fuel/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Fuel temperature over the drive' })).toBeVisible();
  await fill(page, /^Length of the drive/, '45 min');
  await expect(page.getByText(/^No trouble in/)).toBeVisible();
  await expect(snags(page)).not.toContainText('warms up on a drive');
});

test('sizes are proposed with what they change, and taken in one act that undo takes back', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  await tab(page, 'Sizes');
  const item = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: /^Return line/ }) });
  await expect(item).toContainText('Cures: The return is too small');
  await item.getByRole('button', { name: /make it so/ }).click();
  await expect(snags(page)).not.toContainText('The return is too small');
  await page.getByRole('button', { name: 'Undo: return line in −6' }).click();
  await expect(snags(page)).toContainText('The return is too small');
});

test('the water test finds the blend, and another blend is tried before it is poured in', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Brief');
  await tab(page, 'Fuel');
  await fill(page, /^Water in the glass/, '20 mL');
  await fill(page, /^Fuel put on top/, '100 mL');
  await fill(page, /^Boundary after shaking/, '15 mL');
  await expect(page.getByText(/The boundary stands below the water/)).toBeVisible();
  await fill(page, /^Boundary after shaking/, '90 mL');
  await expect(page.getByText(/^70 % ethanol, between 67 % and 73 %/)).toBeVisible();
  await expect(snags(page)).toContainText('The water test found another blend');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(page.getByLabel(/^Ethanol share$/)).toHaveValue('70 %');
  await expect(page.getByText(/1.32 fits 69 % ethanol/)).toBeVisible();
  await fill(page, /^Ethanol share to try/, '10 %');
  await expect(page.getByText(/^Demand at full load .* L\/h → /)).toBeVisible();
  await expect(page.getByRole('row', { name: /^zinc \(galvanised\)/ })).toContainText('attacked');
});

test('the shop keeps its own pumps: read from CSV, refused by row, used on a run, taken out', async ({
  page,
}, info) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Pump library' }).click();
  await giveFile(
    page,
    'Read a pump from CSV',
    info.outputPath('bad pump.csv'),
    'voltage,pressure,flow\nV,kPa,L/h\n12,0,200\n12,300,x\n12,300,250\n',
  );
  await expect(page.getByRole('alert')).toContainText('Row 4');
  await giveFile(
    page,
    'Read a pump from CSV',
    info.outputPath('Bench_pump_7.csv'),
    'voltage,pressure,flow,current\nV,bar,L/h,A\n13.5,0,300,6\n13.5,3,250,9\n13.5,6,100,12\n',
  );
  await expect(page.getByRole('heading', { name: 'Bench pump 7' })).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('listitem').filter({ hasText: 'Bench pump 7' }).getByRole('img')).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Bench pump 7 as CSV' }).click(),
  ]);
  await download.saveAs(info.outputPath('out.csv'));
  expect(await readFile(info.outputPath('out.csv'), 'utf8')).toContain('13.5,300,250,9');
  await openJob(page, 'Club sprint car', 'Run');
  await part(page, /^Hanger pump/).click();
  await page.getByLabel('or take a pump').selectOption({ label: 'Bench pump 7' });
  await expect(page.getByRole('button', { name: /Working of the pump margin/ })).toContainText('−');
  await page.goto('/pumps');
  await page.getByRole('button', { name: 'Take Bench pump 7 out of the library' }).click();
  await page.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Bench pump 7' })).toHaveCount(0);
});
