import { readFile } from 'node:fs/promises';
import { expect, fill, giveFile, openJob, part, saved, snags, test, toStage } from './endrel.ts';
import { oddRuns } from '../packages/core/test/odd-runs.ts';

/** Unfolds what is said of a port on the bench. */
const openPort = (page: Parameters<typeof part>[0], port: string) =>
  page.locator(`[data-port="${port}"] summary`).click();

const order = (page: Parameters<typeof part>[0]) =>
  page
    .getByRole('group', { name: /^The run at/ })
    .locator('[data-part]')
    .evaluateAll((places) => places.map((p) => p.getAttribute('data-part')));

test('parts are put in, moved, swapped and taken out; undo brings them back', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  // once the part is there to be chosen, the strip is drawn
  await part(page, /^Fine filter/).click();
  const before = await order(page);
  await page.getByRole('button', { name: 'Move it one place towards the start' }).click();
  // the strip is drawn with what the edit leads to
  await expect.poll(async () => (await order(page)).indexOf('filter-1')).toBe(before.indexOf('filter-1') - 1);
  await openPort(page, 'in');
  await page.getByRole('button', { name: 'Put a part in here' }).click();
  await page.getByRole('menuitem', { name: 'Check valve' }).click();
  await expect(page.getByRole('heading', { name: 'Check valve' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Run 1 to measure/ })).toBeVisible();
  await fill(page, /^Bore/, '7 mm');
  await expect(page.getByRole('button', { name: /Working of the pressure at full load/ })).toContainText('kPa');
  await page.getByRole('button', { name: 'Take it out' }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(part(page, /^Check valve/)).toBeVisible();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => order(page)).toEqual(before);
});

test('a gauge goes onto a tee, an open port shows and is capped, a joint is undone and made again', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Engine feed hose/).click();
  await openPort(page, 'in');
  const tee = page.getByRole('button', { name: 'Branch by a tee' });
  await expect(tee).toHaveAttribute('title', 'Put in Tee (1 part new, 1 joint new)');
  await tee.click();
  await expect(page.getByRole('heading', { name: 'Tee' })).toBeVisible();
  await expect(part(page, /^Tee.*open: branch/)).toBeVisible();
  await expect(snags(page)).toContainText('has a port that nothing closes: branch');
  await page.getByRole('button', { name: 'Put a part on it' }).click();
  await page.getByRole('menuitem', { name: 'Pressure gauge' }).click();
  await expect(part(page, /^Pressure gauge/)).toBeVisible();
  await expect(snags(page)).not.toContainText('has a port that nothing closes: branch');
  await page.getByRole('button', { name: 'Take it out' }).click();
  await part(page, /^Tee/).click();
  await page.getByRole('button', { name: 'Cap it' }).click();
  await expect(page.locator('[data-port="branch"]')).toContainText('capped');
  await expect(snags(page)).not.toContainText('has a port that nothing closes: branch');
  await part(page, /^Fuel rail/).click();
  await openPort(page, 'in');
  await page.getByRole('button', { name: 'Undo the joint' }).click();
  await expect(snags(page)).toContainText('there is a gap on the run');
  await page.getByRole('button', { name: 'Join it to …' }).click();
  await page.getByRole('menuitem', { name: 'Engine feed hose, outlet' }).click();
  await expect(snags(page)).not.toContainText('there is a gap on the run');
  await expect(page.getByRole('button', { name: /Working of the pressure at full load/ })).toContainText('kPa');
});

test('a part is turned round, swapped for another, set aside and taken up again', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Fine filter/).click();
  await page.getByRole('button', { name: 'Turn it round' }).click();
  await expect(snags(page)).toContainText('Fine filter');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: 'Swap it for …' }).click();
  await page.getByRole('menuitem', { name: 'Check valve' }).click();
  await expect(part(page, /^Fine filter/)).toBeVisible(); // it keeps its name
  await page.getByRole('button', { name: /^Undo/ }).click();
  await part(page, /^Fine filter/).click();
  await page.getByRole('button', { name: 'Set it aside' }).click();
  await expect(part(page, /^Fine filter/)).toHaveCount(0);
  await expect(page.getByText(/Set aside, with their measurements: Fine filter/)).toBeVisible();
  await part(page, /^Engine feed hose/).click();
  await openPort(page, 'in');
  await page.getByRole('button', { name: 'Put a part in here' }).click();
  await page.getByRole('menuitem', { name: /Fine filter set aside, as measured/ }).click();
  await expect(part(page, /^Fine filter/)).toBeVisible();
});

test('arrow keys walk along the run and across to the other rail', async ({ page }) => {
  await openJob(page, 'Hill rescue', 'Run');
  await part(page, /^Left fuel rail/).click();
  await page.keyboard.press('ArrowDown');
  await expect(part(page, /^Right fuel rail/)).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('ArrowRight');
  await expect(part(page, /^Right return branch/)).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(part(page, /^Left return branch/)).toBeFocused();
});

test('a part just chosen is on the bench before the next key can be typed', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await expect(page.locator('[data-part="filter-1"]')).toBeVisible(); // the strip is drawn once the job is reckoned
  const chosen = await page.evaluate(async () => {
    const seen: string[] = [];
    for (const id of ['filter-1', 'pump-1', 'filter-1']) {
      document
        .querySelector(`[data-part="${id}"]`)!
        .dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
      for (let i = 0; i < 20; i++) await Promise.resolve(); // microtasks only: nothing else gets a turn
      seen.push(
        [...document.querySelectorAll('[aria-pressed="true"][data-part]')]
          .map((c) => c.getAttribute('data-part'))
          .join(),
      );
    }
    return seen;
  });
  expect(chosen).toEqual(['filter-1', 'pump-1', 'filter-1']);
});

test('numbers on the run follow the operating point and the edit, and say what they were', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Run');
  const group = page.getByRole('group', { name: 'The run at full load' });
  await expect(group).toContainText('242.7 L/h drawn');
  await page.getByRole('radio', { name: /^Idle/ }).click();
  await expect(page.getByRole('group', { name: 'The run at idle' })).toContainText('2 L/h drawn');
  await expect(page).toHaveURL(/at=idle/);
  await page.reload();
  await expect(page.getByRole('radio', { name: /^Idle/ })).toBeChecked();
  await toStage(page, 'Brief');
  await fill(page, /^Engine power/, '300 hp');
  await expect(page.getByRole('button', { name: /Working of the demand/ })).toContainText('was 242.7 L/h');
  await expect(page.getByRole('button', { name: /Working of the demand/ })).toContainText('169.3 L/h');
});

test('arrow keys step a measurement in its own unit, and Esc takes a slip back', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const height = page.getByLabel(/^Rail or carburettor height/);
  await height.focus();
  await page.keyboard.press('ArrowUp');
  await expect(height).toHaveValue('730 mm');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(height).toHaveValue('630 mm');
  await height.fill('wide');
  await expect(page.getByText('There is no number in “wide”')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(height).toHaveValue('630 mm');
});

test('a pump table in other units, at another voltage, moves the margin', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Run');
  const margin = page.getByRole('button', { name: /Working of the pump margin/ });
  await expect(margin).toContainText('−1.21 %');
  await part(page, /^Hanger pump/).click();
  await page.getByRole('button', { name: 'Remove table' }).nth(1).click();
  await expect(snags(page)).toContainText('voltage outside its flow tables (extrapolated)');
  await page.getByRole('button', { name: 'Add a table at another voltage' }).click();
  for (const [pressure, flow] of [
    ['29 psi', '90 gph'],
    ['58 psi', '72 gph'],
    ['87 psi', '40 gph'],
  ]) {
    await page.getByLabel('New row pressure').last().fill(pressure!);
    await page.getByLabel('New row flow').last().fill(flow!);
    await page.getByLabel('New row flow').last().press('Tab');
  }
  await expect(snags(page)).not.toContainText('(extrapolated)');
  await expect(margin).not.toContainText('−1.21 %');
  await saved(page);
});

test('a row of a pump table is taken over once, and the row for the next one is made once', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Run');
  await part(page, /^Hanger pump/).click();
  await page.getByRole('button', { name: 'Remove table' }).nth(1).click();
  await page.getByRole('button', { name: 'Add a table at another voltage' }).click();
  await page.getByLabel('New row pressure').last().fill('200 kPa');
  await page.evaluate(() => {
    const counts = window as unknown as { made: number };
    counts.made = 0;
    new MutationObserver((changes) => {
      for (const change of changes)
        counts.made += [...change.addedNodes].filter((node) => node.nodeName === 'TR').length;
    }).observe(document.body, { childList: true, subtree: true });
  });
  await page.getByLabel('New row flow').last().fill('300 L/h');
  await page.getByLabel('New row flow').last().press('Tab');
  await saved(page);
  // the row itself and the empty one after it; typing into an empty row that is made again would be lost
  expect(await page.evaluate(() => (window as unknown as { made: number }).made)).toBe(2);
});

test('a pump comes from the library or from CSV; a file with bad rows gives none of it', async ({ page }, info) => {
  await openJob(page, 'Club sprint car', 'Run');
  const margin = page.getByRole('button', { name: /Working of the pump margin/ });
  await part(page, /^Hanger pump/).click();
  const read = (text: string) => giveFile(page, 'Read a CSV file', info.outputPath('pump.csv'), text);
  await read('voltage,pressure,flow\nV,kPa,L/h\n13.5,300,400\n13.5,500,-3\n13.5,400,oops\n');
  await expect(page.getByRole('alert')).toContainText('Row 4: flow: “flow” cannot be negative');
  await expect(page.getByRole('alert')).toContainText('Row 5:');
  await expect(margin).toContainText('−1.21 %');
  await page.getByLabel('or take a pump').selectOption({ label: 'injection pump, 450 L/h at 300 kPa' });
  await expect(margin).not.toContainText('−1.21 %');
  await expect(snags(page)).not.toContainText('cannot feed the engine');
  await page.keyboard.press('Escape');
  await read('voltage,pressure,flow\nV,psi,L/h\n13.5,20,200\n13.5,60,150\n');
  await expect(snags(page)).toContainText('The rail does not hold its pressure');
});

test('where each kPa goes is listed, and the point goes out as an EPANET file', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Run');
  await page.getByText('Where each kPa goes at full load').waitFor();
  await page
    .getByRole('row', { name: /^Return line/ })
    .getByRole('button')
    .click();
  await expect(page.getByRole('heading', { name: 'Return line' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'This point as an EPANET file' }).click(),
  ]);
  const text = await readFile(await download.path(), 'utf8');
  expect(text).toContain('HEADLOSS D-W');
  expect(text).toContain('siphonJet');
});

test('an existing line goes straight onto the run with its measurements', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  await page.getByRole('button', { name: 'Put it on the run' }).first().click();
  await toStage(page, 'Run');
  await part(page, /^Factory feed/).click();
  await expect(page.getByLabel(/^Line length/)).toHaveValue('2900 mm');
  await expect(page.getByLabel(/^Material/)).toHaveValue('steelCoated');
});

test('an address that leads nowhere says so, and a job that is not there too', async ({ page }) => {
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.goto('/jobs/7b0c4a52-0000-4000-8000-000000000000/run');
  await expect(page.getByRole('alert')).toContainText('There is no such job.');
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '6 jobs' })).toBeVisible();
});

for (const [name, made] of Object.entries(oddRuns))
  test(`${name}: every part is hit at its middle, walked to, and has its pressure`, async ({ page, server }) => {
    const job = { ...made(), name: 'An odd run' };
    const answer = await page.request.post(`${server.address}/api/jobs`, { data: { document: job } });
    expect(answer.status(), await answer.text()).toBe(201);
    const { id } = (await answer.json()) as { id: string };
    await page.goto(`/jobs/${id}/run`);
    const run = page.getByRole('group', { name: /^The run at/ });
    await expect(run).toBeVisible();
    const ids = await run
      .locator('[data-part]')
      .evaluateAll((all) => all.map((part) => part.getAttribute('data-part')!));
    expect(ids.sort()).toEqual(
      Object.values(job.parts)
        .filter((p) => !p.aside)
        .map((p) => p.id)
        .sort(),
    );
    for (const part of ids) {
      const drawn = run.locator(`[data-part="${part}"]`);
      if (job.parts[part]!.kind !== 'tank') await drawn.click();
      else await drawn.click({ position: { x: 4, y: 30 } }); // beside what lies in it
      await expect(drawn).toHaveAttribute('aria-pressed', 'true');
    }
    await page.keyboard.press('ArrowLeft');
    await expect(run.locator('[aria-pressed="true"]')).toBeFocused();
    await expect(
      page.getByRole('button', { name: 'Working of the pressure at full load', exact: false }).first(),
    ).not.toContainText('–');
    await expect(snags(page).locator('[data-snag^="run-does-not-solve"], [data-snag^="open-port"]')).toHaveCount(0);
  });
