import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import {
  expect,
  expectAccessible,
  fill,
  giveFile,
  openJob,
  saved,
  snags,
  tab,
  test,
  type Page,
  toStage,
} from './endrel.ts';

const joint = (page: Page, number: number) => page.locator('tr[data-joint]').nth(number - 1);
const bench = (page: Page) => page.getByRole('region', { name: /^Joint \d+$/ });

test('every joint is filled in one act, feeds the solver, and is swapped, taken out and undone', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Joints');
  await expect(page.getByText('24 joints, 0 signed tight. 6 want adapters.')).toBeVisible();
  const margin = async () =>
    Number.parseFloat(
      (await page
        .getByText(/^\d+\.\d %$/)
        .first()
        .textContent()) ?? '',
    );
  await expect.poll(margin).toBeGreaterThan(100);
  const before = await margin();
  await page.getByRole('button', { name: 'Fill all 6' }).click();
  await expect(page.getByText('Every one seals as planned.')).toBeVisible();
  // their losses reach the pump’s margin
  await expect.poll(margin).toBeLessThan(before - 0.4);
  expect(await margin()).toBeGreaterThan(before - 2);
  await saved(page);
  await page.reload();
  await expect(page.getByText('Every one seals as planned.')).toBeVisible();
  const filled = page.locator('tr[data-joint]').filter({ hasText: '2 adapters' }).first();
  await filled.getByRole('button').click();
  await expect(
    bench(page)
      .getByRole('img', { name: /^To scale: / })
      .first(),
  ).toBeVisible();
  const second = bench(page).locator('[data-chain="2"]');
  await second.getByRole('button', { name: /^Use/ }).click();
  await expect(second.getByText('chosen', { exact: true })).toBeVisible();
  await bench(page).getByRole('button', { name: 'Take the adapters out' }).click();
  await expect(page.getByText('1 wants adapters.')).toBeVisible();
  // the button that was pressed is gone: keys go on from the bench
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('6 want adapters.')).toBeVisible();
});

test('a changed line does again only what it must, and names what became waste', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Joints');
  await page.getByRole('button', { name: 'Fill all 6' }).click();
  await expect(page.getByText('Every one seals as planned.')).toBeVisible();
  await toStage(page, 'Run');
  await page
    .getByRole('group', { name: /^The run (at|in one line)/ })
    .getByRole('button', { name: /^Return line/ })
    .click();
  await fill(page, /^Tube outside diameter/, '1/2 in');
  await toStage(page, 'Joints');
  await expect(snags(page)).toContainText('fit no more');
  await expect(page.getByText(/^Done again, these become waste: 1 × tube nut and sleeve/)).toBeVisible();
  await page.getByRole('button', { name: 'Fill all 2' }).click();
  await expect(page.getByText('Every one seals as planned.')).toBeVisible();
});

test('a look-alike is stopped with its reason, and its cure puts the adapter in', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Joints');
  await expect(snags(page)).toContainText('a plain 37° end has no O-ring and its cone finds no seat in the boss');
  await snags(page).getByRole('button', { name: 'Put these adapters in' }).first().click();
  await expect(snags(page)).not.toContainText('a plain 37° end has no O-ring');
});

test('a usual port is agreed to, or another is said, and the joint follows', async ({ page }) => {
  await openJob(page, 'Island shuttle', 'Joints');
  await joint(page, 5).getByRole('button').click();
  await expect(bench(page).getByText('typical, not looked at yet').first()).toBeVisible();
  await bench(page)
    .getByRole('button', { name: /^It is so/ })
    .first()
    .click();
  await expect(bench(page).getByLabel('As looked at: form').first()).toHaveValue('oRingBoss');
  await bench(page).getByLabel('As looked at: size').first().selectOption('−8');
  await expect(bench(page).locator('[data-chain="1"]')).toContainText('male O-ring boss −8');
  // one measure of it after the other: each keeps what is known already
  await bench(page).getByText('Its envelope, angle and material').first().click();
  const flats = bench(page)
    .getByLabel(/^Across flats/)
    .first();
  const standsOut = bench(page)
    .getByLabel(/^Length that stands out/)
    .first();
  await flats.fill('22 mm');
  await flats.press('Tab');
  await standsOut.fill('14 mm');
  await standsOut.press('Tab');
  await expect(flats).toHaveValue(/^22/);
  await expect(standsOut).toHaveValue(/^14/);
  await bench(page)
    .getByLabel(/^Tightened and marked/)
    .selectOption('yes');
  await expect(page.getByText('1 signed tight')).toBeVisible();
});

test('ratings, bench and order, common sizes and labels follow the same run', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Joints');
  await tab(page, 'Ratings');
  await expect(page.getByRole('row', { name: /^Bulkhead line/ })).toContainText('no');
  await page.getByRole('table').getByRole('button', { name: 'Feed hose' }).click();
  await expect(page.getByRole('row', { name: /^pressure/ })).toContainText('kPa');
  await tab(page, 'Bench and order');
  await expect(page.getByText(/^The bench lacks \d+ pieces/)).toBeVisible();
  const onBench = page.getByLabel(/^On the bench: hose end, reusable/);
  await onBench.fill('5');
  const row = page.locator('tr[data-code]').filter({ has: onBench });
  await expect(row.getByRole('cell').last()).toHaveText('2'); // three are needed
  await saved(page);
  const [order] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Order as CSV' }).click(),
  ]);
  expect(order.suggestedFilename()).toBe('order.csv');
  await tab(page, 'Common size');
  await expect(page.getByRole('row')).toHaveCount(10);
  await expect(page.getByText('Fewest sizes first')).toBeVisible({ timeout: 30_000 });
  await tab(page, 'Labels');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /labels as PDF$/ }).click(),
  ]);
  expect(pdf.suggestedFilename()).toBe('labels-a4.pdf');
});

test('hose ends through one wall are drawn with their spanners and judged', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Joints');
  await tab(page, 'Spanner room');
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Add a hose end' }).click();
  for (const n of [0, 1]) await page.getByLabel('Hose end', { exact: true }).nth(n).selectOption('−6');
  await page.getByRole('textbox', { name: 'To the right' }).nth(1).fill('25 mm');
  await page.getByRole('textbox', { name: 'To the right' }).nth(1).press('Tab');
  await expect(snags(page)).toContainText('stand too near each other for a spanner');
  await expect(page.getByRole('img', { name: /^Hose ends through the wall/ })).toBeVisible();
  await page.getByRole('textbox', { name: 'To the right' }).nth(1).fill('30 mm');
  await page.getByRole('textbox', { name: 'To the right' }).nth(1).press('Tab');
  await expect(snags(page)).not.toContainText('stand too near');
});

test('a thread is found without a job: candidates, what to measure next, and the same after a reload', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Mail van 4/ })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.getByText('Give a diameter.')).toBeVisible();
  await page.getByLabel('Outside diameter, at the large end').fill('14.2 mm');
  await page.getByLabel('Pitch', { exact: true }).fill('18 tpi');
  await expect(page.getByText('3 threads fit: measure next')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Measure next' }).getByText('Look at the end: a cone')).toBeVisible();
  await page.getByLabel('What is at its end?').selectOption('cone');
  await expect(page.getByText('It can only be this one')).toBeVisible();
  await expect(page.locator('[data-thread="flare37:-6"]')).toContainText('Hydraulic and aviation 37° ends mate');
  await page.reload();
  await expect(page.getByText('It can only be this one')).toBeVisible();
  await page.getByLabel('Outside diameter, at the large end').fill('fourteen');
  await expect(page.getByLabel('Outside diameter, at the large end')).toHaveAttribute('aria-invalid', 'true');
  for (const name of ['Which thread is it?', 'From port to port', 'The shop’s shelf']) {
    await tab(page, name);
    await expect(page.getByRole('tab', { name, exact: true })).toHaveAttribute('aria-selected', 'true');
    await expectAccessible(page);
  }
});

test('adapters are found from port to port, and what kills every chain is named with the nearest', async ({ page }) => {
  await page.goto('/threads?tab=chain&from=male+flare37+-6&to=female+npt+3/8');
  await expect(page.locator('[data-chain]')).toHaveCount(5);
  await page.getByLabel('Turn in all').fill('90');
  await expect(page.locator('[data-chain="1"]')).toContainText('90° elbow');
  await expect(page.locator('[data-chain="1"]')).toContainText('better than the next: fewer joints');
  await page.locator('[data-chain="1"]').getByText('How the cost is made up').click();
  await expect(page.locator('[data-chain="1"]')).toContainText('2 joints at 10');
  await page.getByLabel('Least bore').fill('20 mm');
  await expect(page.getByText('But for the least bore')).toBeVisible();
});

test('a shelf file is taken whole or not at all: every fault by its row, and the page stays live', async ({ page }) => {
  const folder = await mkdtemp(path.join(tmpdir(), 'endrel-'));
  await page.goto('/threads?tab=shelf');
  await expect(page.getByText('11 parts on the shelf')).toBeVisible();
  const button = 'Read a shelf from CSV';
  const bad =
    'code,port 1,port 2,bore,count\na1,male wobble 3,female npt 1/4,7 mm,2\na2,male flare37 -6,female npt 1/4,0,2\na2,male flare37 -6,female npt 1/4,7,2\n';
  await giveFile(page, button, path.join(folder, 'bad.csv'), bad);
  const fault = page.getByRole('alert');
  await expect(fault).toContainText('Nothing was taken from “bad.csv”');
  await expect(fault).toContainText('Row 2: port 1: “wobble” is no form of port');
  await expect(fault).toContainText('Row 3: bore');
  await expect(fault).toContainText('Row 4: “a2” stands in row 3 already');
  await expect(page.getByText('11 parts on the shelf')).toBeVisible();
  const many = `code,count\n${Array.from({ length: 100_000 }, (_, i) => `p${i},x`).join('\n')}`;
  await giveFile(page, button, path.join(folder, 'many.csv'), many);
  await page.getByLabel('Find on the shelf').fill('cap'); // still live
  await expect(fault).toContainText('It has 100000 parts; a shelf holds 5000 at most.', { timeout: 30_000 });
  await giveFile(
    page,
    button,
    path.join(folder, 'good.csv'),
    'code,port 1,port 2,bore,count,price\nshop 1,male flare37 -6,female npt 1/4,7 mm,3,4.5\n',
  );
  await page.getByLabel('Find on the shelf').fill('');
  await expect(page.getByText('12 parts on the shelf')).toBeVisible();
  await page.getByLabel('How many of shop 1').fill('8');
  await page.getByLabel('How many of shop 1').press('Enter');
  await page.reload();
  await expect(page.getByLabel('How many of shop 1')).toHaveValue('8');
});

test('on the shelf the focus stays near when a button goes, and what the server refuses stays typed', async ({
  page,
}) => {
  await page.goto('/threads?tab=shelf');
  await expect(page.getByText('11 parts on the shelf')).toBeVisible();
  await page.getByLabel('Find on the shelf').fill('cap flare37 -8');
  await page
    .getByRole('button', { name: /^Put one there/ })
    .first()
    .click();
  await expect(page.getByText('12 parts on the shelf')).toBeVisible();
  await expect(page.getByRole('main')).toBeFocused();
  await page
    .getByRole('button', { name: /off the shelf’s list$/ })
    .first()
    .click();
  await expect(page.getByText('11 parts on the shelf')).toBeVisible();
  await expect(page.getByRole('main')).toBeFocused();
  await page.getByText('A part of your own, by hand').click();
  await page.getByLabel('Code', { exact: true }).fill('shop 2');
  await page.getByLabel('Smallest hole').fill('7 mm');
  for (const port of ['first port', 'second port']) {
    await page.getByLabel(`${port}: form`).selectOption('oRingBoss');
    await page.getByLabel(`${port}: size`).selectOption('−6');
  }
  await page.route('**/shelf', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status: 503, json: { code: 'away', message: 'The database cannot be reached at the moment.' } })
      : route.continue(),
  );
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('alert')).toContainText('The database cannot be reached');
  await expect(page.getByLabel('Code', { exact: true })).toHaveValue('shop 2');
  await page.unroute('**/shelf');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('12 parts on the shelf')).toBeVisible();
  await expect(page.getByLabel('Code', { exact: true })).toHaveValue('');
});
