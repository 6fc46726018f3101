import { expect, fill, part, snags, tab, test, toStage } from './endrel.ts';

/** docs/guide.md, followed word by word: what it names is there, and what it promises comes. */
test('a newcomer is led from New job to cards by the guide', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Job', { exact: true }).fill('Mail van, injected');
  await dialog.getByLabel('Vehicle').fill('Van of a post office');
  await dialog.getByLabel(/a school of layout/).check();
  await dialog.getByRole('combobox').selectOption({ label: 'Bypass at the tank, fixed pressure' });
  await dialog.getByRole('button', { name: 'Start the job' }).click();
  // 2: the cursor is in the first field, and what is open stands beside each stage
  await expect(page.getByLabel(/^Fuel enters by/)).toBeFocused();
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await expect(stages.getByRole('link', { name: /^Survey/ })).toContainText('2 to measure');
  await expect(page.getByRole('button', { name: /^Next/ }).or(page.getByRole('link', { name: /^Next/ }))).toBeVisible();
  await expect(page.getByRole('main')).toContainText('First: ');
  await fill(page, /^Engine power/, '92 kW');
  await page.getByLabel(/^Aspiration/).selectOption({ label: 'naturally aspirated' });
  await fill(page, /^Rail pressure wanted/, '4 bar');
  await tab(page, 'Fuel');
  await page.getByRole('combobox', { name: /^Fuel/ }).selectOption('petrol');
  await fill(page, /^Ethanol share/, '10 %');
  await expect(stages.getByRole('link', { name: /^Brief/ })).not.toContainText('to '); // nothing is open in it

  await toStage(page, 'Survey');
  await fill(page, /^Tank depth/, '236 mm');
  await fill(page, /^Outlet height/, '236 mm');
  await fill(page, /^Rail or carburettor height/, '610 mm');
  for (const name of ['Tank', 'Vent and filler']) await tab(page, name);
  await toStage(page, 'Layout');
  await expect(page.getByRole('main')).toContainText('Bypass at the tank, fixed pressure');
  await toStage(page, 'Pump & hanger');
  await page.getByLabel(/^Hanger is/).selectOption('rigid');
  await fill(page, /^Gasket, loose/, '3 mm');
  await fill(page, /^Gasket, bolted down/, '2 mm');
  await fill(page, /^Gap under a rigid hanger/, '3 mm');
  await expect(page.getByRole('main')).toContainText('stack height that suits');

  await toStage(page, 'Run');
  await page.getByText('Type hoses and lines in as a table').click();
  for (const [name, length] of [
    ['Hanger hose', '140 mm'],
    ['Feed line', '3.4 m'],
    ['Engine feed hose', '420 mm'],
    ['Return hose', '260 mm'],
  ] as const)
    await fill(page, new RegExp(`^(Hose |Line )?length, ${name}`, 'i'), length);
  await part(page, /^Return drop/).click();
  await fill(page, /^Tube length/, '215 mm');
  // 6: the regulator comes set to what is usual, and the snag says so until it is what the engine wants
  await expect(snags(page)).toContainText('is not set to the pressure that the engine wants');
  await part(page, /^Regulator/).click();
  await fill(page, /^Set pressure/, '4 bar');
  await expect(snags(page)).not.toContainText('is not set to the pressure that the engine wants');
  await expect(page.getByRole('button', { name: /Working of the pump margin/ })).toBeVisible();
  await page
    .getByRole('button', { name: /Working of the pressure/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');

  await toStage(page, 'Joints');
  await expect(page.getByRole('button', { name: /^Fill (all|that)/ })).toBeVisible();
  await toStage(page, 'Gauge');
  await fill(page, /^Sender at the bottom stop/, '240');
  await toStage(page, 'Routes');
  await expect(page.getByRole('main')).toContainText('Datum');
  await toStage(page, 'Wiring');
  await page.getByRole('button', { name: /Pump, relay and fuse/ }).click();
  await tab(page, 'Lists and cuts');
  await page.getByText('Type the wires in as a table').click();
  await toStage(page, 'Cards');
  await expect(page.getByRole('main')).toContainText('Hanger hose');
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'As CSV' })).toBeVisible();
});
