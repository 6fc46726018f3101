import { expect, fill, part, saved, snags, test, toStage } from './endrel.ts';

test('a fitter takes a new job from nothing to a card, in mixed units, and finds it all again after a reload', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Boom truck: injected six');
  await page.getByLabel('Vehicle').fill('Skerry boom truck');
  await page.getByRole('button', { name: 'Start the job' }).click();

  // brief, in the units that the numbers came in
  await page.getByLabel(/^Fuel enters by/).selectOption('injection');
  await fill(page, /^Engine power/, '180 hp');
  await expect(page.getByText('= 134.2 kW')).toBeVisible();
  await page.getByLabel(/^Aspiration/).selectOption('natural');
  await fill(page, /^Rail pressure wanted/, '43.5 psi');
  await page.getByLabel(/^Fuel( –|$)/).selectOption('petrol');
  await fill(page, /^Ethanol share/, '5');
  // 180 hp x 0.50 lb/(hp h) = 90 lb/h = 40.8 kg/h of petrol; E5 2.1 % more by mass: 55.8 L/h at 747.2 kg/m3
  await expect(page.getByText('55.8 L/h').first()).toBeVisible();

  // survey: fractions, feet, a refusal and a doubt
  await page.getByRole('heading', { name: 'Fuel', exact: true }).click(); // out of the field: letters are shortcuts again
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await fill(page, /^Tank depth/, '-9 in');
  await expect(page.getByText('“tank depth” cannot be negative')).toBeVisible();
  await fill(page, /^Tank depth/, '2.3 m');
  await expect(page.getByText('2.3 m for “tank depth”?')).toBeVisible();
  await fill(page, /^Tank depth/, '9 1/16 in');
  await expect(page.getByText('= 230.2 mm')).toBeVisible();
  const layout = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Layout' });
  const before = await layout.boundingBox();
  await fill(page, /^Rail or carburettor height/, '2 ft 1 1/2 in');
  await expect(page.getByRole('link', { name: 'Survey', exact: true }), 'nothing left to measure').toBeVisible();
  expect((await layout.boundingBox())!.x, 'the next stage stays under the hand').toBe(before!.x);

  // layout lays the run out; the run asks for what it needs
  await toStage(page, 'Layout');
  await page.getByRole('button', { name: 'Lay it out so' }).first().click();
  await toStage(page, 'Run');
  await part(page, /^Feed pump/).click();
  await page.getByRole('button', { name: 'Start a table at 13.5 V' }).click();
  for (const [pressure, current, flow] of [
    ['200', '7.1 A', '281'],
    ['300', '8.1', '255 L/h'],
    ['58 psi', '9.2', '224'],
    ['5 bar', '10.3', '186'],
  ]) {
    await page.getByLabel('New row pressure').fill(pressure!);
    await page.getByLabel('New row current').fill(current!);
    await page.getByLabel('New row flow').fill(flow!);
    await page.getByLabel('New row flow').press('Tab');
  }
  await expect(page.getByLabel('Flow', { exact: true })).toHaveCount(4);
  const hoses: [RegExp, string, string][] = [
    [/^Hanger hose/, '140 mm', '-6'],
    [/^Engine feed hose/, '18 in', '5/16'],
    [/^Regulator hose/, '0.5 m', '8'],
  ];
  for (const [name, length, bore] of hoses) {
    await part(page, name).click();
    await fill(page, /^Hose length/, length);
    await fill(page, /^Hose bore/, bore);
    await page.getByLabel(/^Construction/).selectOption(name.source.includes('Hanger') ? 'r10' : 'r9');
  }
  for (const name of [/^Feed line/, /^Return line/]) {
    await part(page, name).click();
    await fill(page, /^Line length/, '3.1 m');
    await fill(page, /^Tube outside diameter/, '-6');
    await fill(page, /^Wall/, '0.035 in');
    await page.getByLabel(/^Material/).selectOption('stainless304');
  }
  await part(page, /^Fine filter/).click();
  await fill(page, /^Filter rating/, '10 micron');
  await part(page, /^Return drop/).click();
  await fill(page, /^Tube bore/, '8');
  await fill(page, /^Tube length/, '200');
  await part(page, /^Regulator: to measure/).click();
  await fill(page, /^Set pressure/, '43.5 psi');

  // the rail holds: every operating point has its number
  const idle = page.getByRole('button', { name: /Working of the pressure at full load/ });
  await expect(idle).toContainText(/30\d(\.\d)? kPa/);
  await saved(page);
  await page.reload();
  await expect(idle).toContainText(/30\d(\.\d)? kPa/);
  await part(page, /^Engine feed hose/).click();
  await expect(page.getByLabel(/^Hose length/)).toHaveValue('18 in');
  await expect(page.getByLabel(/^Hose bore/)).toHaveValue('5/16');

  await toStage(page, 'Cards');
  await expect(page.getByRole('row', { name: /Engine feed hose .* 457\.2 mm/ })).toHaveCount(2);
  await expect(snags(page)).not.toContainText('does not solve');
});
