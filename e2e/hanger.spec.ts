import { readFile } from 'node:fs/promises';
import { expect, fill, giveFile, openJob, saved, snags, test } from './endrel.ts';

const tab = 'tab' as const;

test('a tank is measured, tilted and turned; a section that crosses itself is named where it does', async ({
  page,
}) => {
  await openJob(page, 'Club sprint car', 'Survey');
  await page.getByRole(tab, { name: 'Tank' }).click();
  await page.getByLabel(/^Tank shape/).selectOption('cylinder');
  await fill(page, /^Tank depth/, '300 mm');
  await fill(page, /^Tank length/, '900 mm');
  // pi 0.15² 0.9 m3
  await expect(page.getByText('63.6 L').first()).toBeVisible();
  await page.getByRole('slider', { name: /^Level/ }).fill('50');
  await expect(page.getByText('31.8 L').first()).toBeVisible();
  await page.getByRole('slider', { name: /^Pitch/ }).fill('10');
  await expect(page.getByText('10° nose down, 0.18 g')).toBeVisible();
  await page.getByRole('button', { name: 'In the round' }).click();
  await expect(page.getByRole('img', { name: /^The tank in the round/ })).toBeVisible();
  await page.getByRole('button', { name: 'Turn it left' }).click();

  await page.getByLabel(/^Tank shape/).selectOption('prism');
  for (const [across, up] of [
    ['0', '0'],
    ['200', '200'],
    ['200', '0'],
    ['0', '200 mm'],
  ]) {
    await page.getByLabel('New corner across').fill(across!);
    await page.getByLabel('New corner up').fill(up!);
    await page.getByLabel('New corner up').press('Tab');
  }
  await expect(snags(page)).toContainText('meets the side from point 3 at (100, 100) mm');
  await expect(page.getByLabel('Corner 4 up')).toHaveValue('200 mm');
  await fill(page, 'Corner 2 up', '0');
  await fill(page, 'Corner 3 up', '200');
  await expect(snags(page)).not.toContainText('crosses itself');
  await expect(page.getByText('36 L').first()).toBeVisible();
});

/** An open box as ASCII STL, in the file's own unit; with `lid`, a closed one. */
function boxStl(size: number, lid: boolean): string {
  const v = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => [n & 1 ? size : 0, n & 2 ? size : 0, n & 4 ? size : 0]);
  const quads = [[0, 2, 3, 1], [0, 1, 5, 4], [1, 3, 7, 5], [3, 2, 6, 7], [2, 0, 4, 6], ...(lid ? [[4, 5, 7, 6]] : [])]; // prettier-ignore
  const facets = quads.flatMap(([a, b, c, d]) => [
    [a, b, c],
    [a, c, d],
  ]);
  const corner = (n: number) => `vertex ${v[n]!.join(' ')}`;
  return `solid box\n${facets.map((f) => `facet normal 0 0 0\nouter loop\n${f.map((n) => corner(n!)).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid box\n`;
}

test('a mesh is read from STL; an open one and a mistaken unit are refused by name, and what was there is kept', async ({
  page,
}, info) => {
  await openJob(page, 'Club sprint car', 'Survey');
  await page.getByRole(tab, { name: 'Tank' }).click();
  await page.getByLabel(/^Tank shape/).selectOption('mesh');
  const read = (name: string, text: string) =>
    giveFile(page, /^Read (an STL|another) file/, info.outputPath(name), text);
  await read('cell.stl', boxStl(400, true));
  await expect(page.getByText('64 L').first()).toBeVisible();
  await expect(page.getByText(/cell[.]stl: 12 triangles/)).toBeVisible();
  await read('open.stl', boxStl(400, false));
  await expect(page.getByRole('alert')).toContainText(
    'open.stl: The mesh is not closed: 4 edges have no triangle on one side',
  );
  await expect(page.getByRole('alert')).toContainText('is kept');
  await page.getByLabel(/^File is in/).selectOption('m');
  await read('cell.stl', boxStl(400, true));
  await expect(page.getByRole('alert')).toContainText('another unit is meant');
  await expect(page.getByText('64 L').first()).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText(/cell[.]stl: 12 triangles/)).toBeVisible();
  // 200 levels at 25 attitudes, from the worker
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^Strapping tables/ }).click(),
  ]);
  const csv = await readFile(await download.path(), 'utf8');
  expect(csv.split('\n')).toHaveLength(201);
  expect(csv.split('\n')[100]!.split(',')[13]).toBe('32.000');
});

test('a strapping table comes from CSV or from fills; a falling one is refused by its row', async ({ page }, info) => {
  await openJob(page, 'Club sprint car', 'Survey');
  await page.getByRole(tab, { name: 'Tank' }).click();
  await page.getByLabel(/^Tank shape/).selectOption('strapping');
  const read = (text: string) => giveFile(page, 'Read a CSV file', info.outputPath('table.csv'), text);
  await read('level_mm,volume_L\n0,0\n100,20\n200,18\n');
  await expect(page.getByRole('alert')).toContainText('the volume falls in row 3');
  await read('level_in,volume_L\n0,0\n4,20\n8,NaN\n');
  await expect(page.getByRole('alert')).toContainText('“NaN” in row 3 is not a number');
  await read('level_in,volume_L\n0,0\n4,20\n8,38\n');
  await expect(page.getByText('38 L').first()).toBeVisible();
  await page.getByRole('button', { name: 'Forget the table' }).click();
  for (const [i, height] of ['31 mm', '62 mm'].entries()) {
    await page.getByRole('button', { name: 'Add a fill' }).click();
    await fill(page, i === 0 ? /^Added/ : /^Added/, '5 L');
    await page
      .getByLabel(/^Height read/)
      .nth(i)
      .fill(height);
    await page
      .getByLabel(/^Added/)
      .nth(i)
      .fill('5 L');
    await page
      .getByLabel(/^Added/)
      .nth(i)
      .press('Tab');
  }
  await expect(page.getByText('10 L').first()).toBeVisible();
});

test('a hanger is cut to the tank: stack height, rods, and a cure for one that is too long; measured twice', async ({
  page,
}) => {
  await openJob(page, 'Club sprint car', 'Pump & hanger');
  await page.getByLabel('Tank depth', { exact: true }).fill('9 1/16 in');
  await page.getByLabel('Tank depth', { exact: true }).press('Tab');
  await page.getByRole('button', { name: 'Measure tank depth again' }).click();
  await fill(page, /^Tank depth, second take/, '9 3/16 in');
  await expect(page.getByText(/Mean 231[.]8 mm, spread 3[.]\d+ mm[.].*measure a third time/)).toBeVisible();
  await fill(page, /^Tank depth, second take/, '9 1/16 in');
  await fill(page, /^Gap under a rigid hanger/, '1/16 in');
  await expect(page.getByText('228.6 mm').first()).toBeVisible(); // 9 in
  await fill(page, /^Old stack height/, '205 mm');
  await page.getByRole('button', { name: 'Add a rod or tube' }).click();
  await fill(page, /^Old length/, '182 mm');
  await expect(page.getByRole('row', { name: /^rod/ })).toContainText('205.6 mm');
  await fill(page, /^Stack height as set/, '10 in');
  await expect(snags(page)).toContainText('The hanger is longer than the tank is deep.');
  await page.getByRole('button', { name: 'Set it to the height that suits' }).click();
  await expect(snags(page)).not.toContainText('longer than the tank is deep');
  await page.getByRole(tab, { name: 'Opening' }).click();
  await expect(snags(page)).toContainText('Three pumps do not pass the opening.');
  await expect(page.getByText(/Together pass: \w+ pump, \w+ pump[.]/)).toBeVisible();
});

test('plate templates come as SVG, DXF and PDF at true size', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Pump & hanger');
  await page.getByRole(tab, { name: 'Plate' }).click();
  const take = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    return readFile(await download.path());
  };
  expect((await take('SVG')).toString()).toContain('width="164mm"');
  expect((await take('DXF')).toString()).toContain('CIRCLE');
  const pdf = (await take('PDF')).toString('latin1');
  expect(pdf.startsWith('%PDF-')).toBe(true);
  // A4 in points
  expect(pdf).toMatch(/MediaBox \[0 0 595[.]\d+ 841[.]\d+\]/);
});

test('a jet overpowered by the pump is drilled open, and the map shows what stays behind', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Pump & hanger');
  await page.getByRole(tab, { name: /^Pickup/ }).click();
  await expect(page.getByRole('img', { name: /^Litres left when the pickup uncovers/ })).toBeVisible();
  await expect(snags(page)).toContainText('The siphon jet is too small for this pump.');
  await snags(page).locator('[data-snag="siphon-jet"]').getByRole('button').first().click();
  await page.getByRole('button', { name: /^Drill it to/ }).click();
  await expect(snags(page)).not.toContainText('The siphon jet is too small');
  await expect(page.getByLabel(/^Siphon jet drill/)).not.toHaveValue('3 mm');
});

test('a sender is swept: typed, and with the simulated ohmmeter', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Gauge');
  await page.getByRole(tab, { name: 'Sweep' }).click();
  const readings = page.getByLabel(/^Upwards/);
  await readings.fill('240 219 x9 178 33');
  await readings.blur();
  await expect(page.getByText('Reading 3, “x9”')).toBeVisible();
  await expect(readings).toHaveValue('240 219 x9 178 33');
  await readings.fill('240 219 open 178 157 137 116 95 74 54 33');
  await readings.blur();
  await expect(page.getByRole('heading', { name: 'Open somewhere on its track' })).toBeVisible();
  await expect(snags(page)).toContainText('The sender has a break in its track.');
  await page.getByLabel(/^It holds/).selectOption('sticky');
  await page.getByRole('button', { name: 'Sweep it' }).click();
  await expect(page.getByRole('heading', { name: 'It sticks' })).toBeVisible();
  await page.getByLabel(/^It holds/).selectOption('none');
  await page.getByRole('button', { name: 'Sweep it' }).click();
  await expect(page.getByRole('heading', { name: 'A good sender' })).toBeVisible();
});

test('a vent that leans, traps fuel or ends in the cabin is told, and what it costs is computed', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await page.getByRole(tab, { name: 'Vent and filler' }).click();
  await expect(page.getByText('the nozzle sets the pace')).toBeVisible();
  await fill(page, /^Vent bore/, '3 mm');
  await expect(page.getByText('the vent sets the pace')).toBeVisible();
  await fill(page, /^Roll-over valve leans by/, '70 deg');
  await expect(snags(page)).toContainText('The roll-over valve leans so far that it is shut.');
  await page.getByLabel(/^Ends/).selectOption('cabin');
  await expect(snags(page)).toContainText('The vent ends in the cabin or boot.');
  await fill(page, /^Roll-over valve leans by/, '0');
  await page.getByLabel(/^Ends/).selectOption('underBody');
  await expect(snags(page)).not.toContainText('leans so far');
});

test('old connections are closed one by one, and the list says what is lost and what can be put back', async ({
  page,
}) => {
  await openJob(page, 'Club sprint car', 'Survey');
  await page.getByRole(tab, { name: 'Blocking off' }).click();
  await page.getByRole('button', { name: 'Add a connection' }).click();
  await page.getByLabel(/^Called/).fill('rear breather');
  await page.getByLabel(/^What it did/).selectOption('filling');
  await page.getByLabel(/^Becomes/).selectOption('open');
  await expect(snags(page)).toContainText('“rear breather” is left open.');
  await page.getByLabel(/^Becomes/).selectOption('weld');
  await expect(page.getByRole('row', { name: /^rear breather/ })).toContainText('the nozzle clicks off early');
  await expect(snags(page)).not.toContainText('is left open');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('row', { name: /^rear breather/ })).toContainText('weld or braze it shut');
});

test('a float arm is solved for the heights wanted and built so; its calibration goes out as CSV', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Gauge');
  await page.getByRole(tab, { name: 'Float' }).click();
  await fill(page, /^Arm below level at the bottom stop/, '30');
  await fill(page, /^Arm above level at the top stop/, '30 deg');
  await fill(page, /^Float height wanted at E/, '20 mm');
  await fill(page, /^Float height wanted at F/, '210 mm');
  await expect(page.getByText('190 mm').first()).toBeVisible(); // (210 - 20) / (2 sin 30°)
  await page.getByRole('button', { name: 'Build it so' }).click();
  await expect(page.getByLabel(/^Pivot height/)).toHaveValue('115 mm');
  await page.getByRole(tab, { name: 'Calibration' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As CSV' }).click(),
  ]);
  const csv = (await readFile(await download.path(), 'utf8')).split('\r\n');
  expect(csv[0]).toBe('share_%,volume_L,level_mm,sender_ohm');
  expect(csv).toHaveLength(12);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: /^Gauge calibration/ })).toBeVisible();
  await expect(snags(page)).toBeHidden();
});

test('a link from a need or a snag opens the tab that holds the field; undo takes hanger edits back', async ({
  page,
}) => {
  await openJob(page, 'Tarrow 30', 'Brief');
  const tooLong = snags(page).locator('[data-snag="hanger-too-long"]');
  await tooLong.getByRole('button').first().click(); // elsewhere in the job: one line until it is opened
  await tooLong.getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole(tab, { name: 'Height' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByLabel(/^Stack height as set/)).toBeFocused();
  await fill(page, /^Stack height as set/, '9 in');
  await expect(snags(page)).not.toContainText('The hanger is longer than the tank is deep.');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Control+z');
  await expect(snags(page)).toContainText('The hanger is longer than the tank is deep.');
  // tabs by keyboard
  await page.getByRole(tab, { name: 'Height' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole(tab, { name: 'Opening' })).toHaveAttribute('aria-selected', 'true');
});
