import { readFile } from 'node:fs/promises';
import { expect, expectAccessible, fill, openJob, saved, snags, tab, test, type Page } from './endrel.ts';

const circuit = (page: Page) => page.getByRole('group', { name: 'Circuit', exact: true });
/** Chosen by the keyboard: the middle of a wire may lie under another. */
async function choose(page: Page, name: RegExp): Promise<void> {
  const group = circuit(page).getByRole('button', { name });
  await group.focus();
  await group.press('Enter');
  await expect(group).toHaveAttribute('aria-pressed', 'true');
}
const wire = (number: number) => new RegExp(`^Wire ${number},`);

test('a circuit is laid out with one press, measured, sized, and brings what it promised', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Wiring');
  await expect(page.getByText('Only one pump stands on the run.')).toBeVisible();
  await page.getByRole('button', { name: 'Lay out: Pump, relay and fuse' }).click();
  await expect(circuit(page)).toBeVisible({ timeout: 20_000 });
  // lengths are measured: those on the pump's way are asked for
  await tab(page, 'Volts and sizes');
  await expect(page.getByText('They follow once the run is solved')).toBeVisible();
  await tab(page, 'Circuit');
  // the cable to the alternator is the vehicle's own: measured, not chosen
  await choose(page, wire(2));
  await fill(page, /^Conductor($| –)/, '8 AWG');
  for (const [number, length] of [
    [2, '1.2 m'],
    [7, '250 mm'],
    [8, '400 mm'],
    [11, '3.4 m'],
    [12, '300 mm'],
    [13, '300 mm'],
    [14, '600 mm'],
  ] as const) {
    await choose(page, wire(number));
    await fill(page, /^Length($| –)/, length);
  }
  await tab(page, 'Volts and sizes');
  const sizes = page.getByRole('region', { name: 'Sizes' });
  await expect(sizes.getByRole('button', { name: 'Use them' })).toBeVisible({ timeout: 15_000 });
  await sizes.getByRole('button', { name: 'Use them' }).click();
  await expect(sizes).toContainText('What stands will do', { timeout: 15_000 });
  await expect(page.getByRole('region', { name: 'Where the volts go' })).toContainText(
    /0\.4\d V lost, of at most 0\.50 V wanted/,
  );
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(sizes.getByRole('button', { name: 'Use them' })).toBeVisible({ timeout: 15_000 });
});

test('a fuse larger than its wire stops the job at the wire, and the cure mends both', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Wiring');
  await choose(page, /^Hanger pump fuse/);
  await fill(page, /^Fuse($| –)/, '40 A');
  await expect(snags(page)).toContainText('The fuse of “Hanger pump” passes more than');
  await expect(circuit(page).getByRole('button', { name: /has a snag: stop/ })).toHaveCount(1);
  await page
    .getByRole('button', { name: /^Use 15 A/ })
    .first()
    .click();
  await expect(snags(page)).toContainText('No snags found', { timeout: 15_000 });
});

test('what stops the pump: told by the circuit, wrong when a wire goes elsewhere, right again by undo', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Wiring');
  await tab(page, 'Cut-off');
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });
  await expect(row('stalled, key still on')).toContainText('stands');
  await expect(row('driving')).toContainText('runs');
  await tab(page, 'Circuit');
  await choose(page, wire(10));
  await page.getByLabel('To', { exact: true }).selectOption({ label: 'Earth of the control unit' });
  await expect(snags(page)).toContainText('stays live while the engine does not turn');
  await tab(page, 'Cut-off');
  await expect(row('stalled, key still on')).toContainText('runs: stop');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(row('stalled, key still on')).toContainText('stands');
});

test('lists leave as CSV, SVG and PDF; a device goes with its wires and comes back', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Wiring');
  await tab(page, 'Lists and cuts');
  const file = async (name: string | RegExp) => {
    const [given] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    return readFile(await given.path());
  };
  const csv = (await file('Wires, CSV')).toString();
  expect(csv.split('\n')[0]).toContain('number,marking,from,to');
  expect(csv).toContain('Lift pump relay');
  await expect(page.getByRole('button', { name: 'Diagram, SVG' })).toBeEnabled({ timeout: 20_000 });
  const svg = (await file('Diagram, SVG')).toString();
  expect(svg).toContain('<svg');
  expect(svg.match(/<polyline/g)!.length).toBeGreaterThan(20);
  await page.getByLabel('Sheet').selectOption('letter');
  const pdf = await file('As PDF');
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.length).toBeGreaterThan(10_000);
  await tab(page, 'Circuit');
  await choose(page, /^Inertia switch/);
  await page.getByRole('button', { name: 'Take it out, wires too' }).click();
  await expect(circuit(page).getByRole('button', { name: /^Inertia switch/ })).toHaveCount(0, { timeout: 15_000 });
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(circuit(page).getByRole('button', { name: /^Inertia switch/ })).toBeVisible({ timeout: 15_000 });
});

test('the drawing is walked with the keyboard', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Wiring');
  await expect(circuit(page)).toBeVisible({ timeout: 20_000 });
  const pump = circuit(page).getByRole('button', { name: /^Controlled pump$/ });
  await pump.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Controlled pump' })).toBeVisible();
  await expectAccessible(page);
});
