import { readFile, writeFile } from 'node:fs/promises';
import { expect, fill, openJob, part, saved, test, toStage } from './endrel.ts';

test('two people on one job: other fields are joined in, the same field is asked about, nothing is lost', async ({
  page,
  browser,
  server,
}) => {
  await openJob(page, 'Mail van 4', 'Survey');
  const other = await (await browser.newContext({ baseURL: server.address })).newPage();
  await openJob(other, 'Mail van 4', 'Survey');

  // the other page follows within a second, without an edit of its own
  await fill(other, /^Rail or carburettor height/, '600 mm');
  await expect(page.getByLabel(/^Rail or carburettor height/)).toHaveValue('600 mm');
  await expect(page.getByRole('button', { name: /Others’ changes came in/ })).toBeVisible();
  await fill(page, /^Tank depth/, '240 mm');
  await saved(page);
  await expect(other.getByLabel(/^Tank depth/)).toHaveValue('240 mm');

  // both change one field before either hears of it: the later one is asked
  await other.route('**/feed', (route) => route.abort());
  await other.route('**/acts*', (route) => route.abort());
  await fill(other, /^Tank depth/, '250 mm');
  await fill(page, /^Tank depth/, '245 mm');
  await saved(page);
  await other.unroute('**/acts*');
  const question = other.getByRole('dialog', { name: 'Somebody else changed the same thing' });
  await expect(question).toContainText('tank depth');
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('245 mm'); // nothing was overwritten
  await question.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('250 mm');
});

test('undo survives a reload, and does not undo what somebody else did since', async ({ page, browser, server }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await fill(page, /^Tank depth/, '240 mm');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Undo: set tank depth' }).click();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('236 mm');
  await page.getByRole('button', { name: /^Redo/ }).click();
  await saved(page);
  const other = await (await browser.newContext({ baseURL: server.address })).newPage();
  await openJob(other, 'Mail van 4', 'Survey');
  await fill(other, /^Tank depth/, '260 mm');
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('260 mm');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: /cannot be undone.*changed since/ })).toBeVisible();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('260 mm');
});

test('a job is put away, taken out again, and deleted for good by a second act', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Put away: Mail van 4: injected two-litre' }).click();
  await expect(page.getByRole('heading', { name: /^5 jobs/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show what is put away (1)' }).click();
  await page.getByRole('button', { name: /^Take out again/ }).click();
  await expect(page.getByRole('heading', { name: /^6 jobs/ })).toBeVisible();
  await page.getByRole('button', { name: 'Put away: Mail van 4: injected two-litre' }).click();
  await page.getByRole('button', { name: 'Show what is put away (1)' }).click();
  await page.getByRole('button', { name: /^Delete for good/ }).click();
  await page.getByRole('button', { name: 'Yes, erase it all' }).click();
  await expect(page.getByText('Mail van 4')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: /^5 jobs/ })).toBeVisible();
});

test('typing goes on while the server is away, survives a reload, and is saved when it is back', async ({
  page,
  server,
}) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await expect(page.getByLabel(/^Tank depth/)).toBeVisible();
  await server.stop();
  await fill(page, /^Tank depth/, '241 mm');
  await expect(page.locator('[data-save="offline"]')).toContainText('kept in this browser');
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('241 mm');
  await server.restart();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('241 mm');
});

test('undo and redo reach across stages', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await fill(page, /^Tank depth/, '260 mm');
  await toStage(page, 'Brief');
  await fill(page, /^Engine power/, '100 kW');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByLabel(/^Engine power/)).toHaveValue('92 kW');
  await page.getByRole('button', { name: /^Undo/ }).click();
  // what was put back is on another stage: the page goes there by itself
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('236 mm');
  await expect(page.getByLabel(/^Tank depth/)).toBeFocused();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('260 mm');
});

test('unfinished text is still there after a visit to another stage', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await page.getByLabel(/^Tank depth/).fill('9 1/');
  await toStage(page, 'Brief');
  await toStage(page, 'Survey');
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('9 1/');
});

test('a job goes out as a file and comes back the same; a broken file is refused by the name of its field', async ({
  page,
}, info) => {
  await openJob(page, 'Club sprint car', 'Run');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a job file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('club-sprint-car-ethanol-blend.endrel.json');
  const file = info.outputPath('job.endrel.json');
  await download.saveAs(file);
  const text = await readFile(file, 'utf8');

  await page.goto('/');
  await page.getByLabel('Job file').setInputFiles(file);
  await part(page, /^Rail hose end/).click();
  const [again] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a job file' }).click(),
  ]);
  const back = info.outputPath('again.endrel.json');
  await again.saveAs(back);
  expect(JSON.parse(await readFile(back, 'utf8'))).toEqual(JSON.parse(text));

  const broken = JSON.parse(text) as { survey: { tank: { depth: { si: number } } } };
  broken.survey.tank.depth.si = -0.2;
  await writeFile(file, JSON.stringify(broken));
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '7 jobs' })).toBeVisible();
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('dialog')).toContainText('survey.tank.depth.si “tank depth” cannot be negative');
  await page.getByRole('button', { name: 'Close' }).click();
  await writeFile(file, 'x'.repeat(3 * 1024 * 1024));
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('dialog')).toContainText('The file is 3.0 MB; a job file is at most 2 MB.');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('heading', { name: '7 jobs' })).toBeVisible();
});

test('a run goes out as a network file and comes back as a job of its own, with what was taken for granted', async ({
  page,
}, info) => {
  await openJob(page, 'Mail van 4', 'Run');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'This point as an EPANET file' }).click(),
  ]);
  const file = info.outputPath('run.inp');
  await download.saveAs(file);
  await page.goto('/');
  await page.getByLabel('Job file').setInputFiles(file);
  const said = page.getByRole('dialog', { name: 'The network is a job now' });
  await expect(said).toContainText('Curves of pumps are taken to hold at 13.5 V: the file tells no voltage.');
  await expect(said).toContainText('Walls of hard lines are taken as 1 mm');
  await said.getByRole('button', { name: 'Open its run' }).click();
  await expect(part(page, /^Regulator/)).toBeVisible();
  await part(page, /^Fuel rail/).click();
  await expect(page.getByLabel(/^Number of injectors/)).toHaveValue('4');
  await writeFile(file, '[TITLE]\nnothing\n[OPTIONS]\nUNITS LPM\nHEADLOSS D-W\n');
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '7 jobs' })).toBeVisible();
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('dialog')).toContainText('This network is no job’s run');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('heading', { name: '7 jobs' })).toBeVisible();
});

test('the table of changes tells what was done', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await fill(page, /^Tank depth/, '240 mm');
  await saved(page);
  await page.getByTitle('Changes to this job').click();
  await expect(page.getByRole('dialog')).toContainText('set tank depth');
  await expect(page.getByRole('dialog')).toContainText('brought in from a job file');
});

test('a long list comes in pages, and is searched whole', async ({ page, server }) => {
  for (let i = 0; i < 55; i++) {
    const data = { name: `Yard tractor ${i}`, vehicle: 'harbour' };
    expect((await page.request.post(`${server.address}/api/jobs`, { data })).status()).toBe(201);
  }
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '61 jobs' })).toBeVisible();
  const rows = page.getByRole('main').getByRole('listitem');
  await expect(rows).toHaveCount(50);
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect(rows).toHaveCount(61);
  await expect(page.getByRole('button', { name: 'Show more' })).toHaveCount(0);
  await page.getByLabel('Find a job').fill('mail pellit');
  await expect(rows).toHaveCount(1);
  await expect(page.getByRole('link', { name: /^Mail van 4/ })).toBeVisible();
  await page.getByLabel('Find a job').fill('nothing of that name');
  await expect(page.getByText('No job is called that.')).toBeVisible();
});
