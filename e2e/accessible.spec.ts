import { expect, expectAccessible, expectContrast, openJob, part, reckoned, tab, test, type Stage } from './endrel.ts';

/** Every stage with all its tabs, on a job that fills it. */
const pages: readonly (readonly [job: string, stage: Stage, tabs: readonly string[]])[] = [
  ['Club sprint car', 'Brief', ['Engine and owner', 'Fuel', 'Conditions']],
  ['Beach patrol buggy', 'Survey', ['Heights and lines', 'Tank']],
  ['Tarrow 30', 'Survey', ['Tank', 'Vent and filler', 'Blocking off']],
  ['Tarrow 30', 'Layout', []],
  ['Tarrow 30', 'Pump & hanger', ['Height', 'Opening', 'Plate', 'Pickup, return, siphon']],
  ['Tarrow 30', 'Run', ['Parts and pressure', 'Sizes']],
  ['Hill rescue', 'Run', ['Operating points', 'Heat over a drive']],
  ['Tarrow 30', 'Joints', ['Joints', 'Ratings', 'Spanner room', 'Bench and order', 'Common size', 'Labels']],
  ['Tarrow 30', 'Gauge', ['Match', 'Sweep', 'Float', 'Calibration']],
  ['Island shuttle', 'Routes', ['Map', 'Lines', 'Clearances', 'Where to put it']],
  ['Island shuttle', 'Wiring', ['Circuit', 'Volts and sizes', 'Cut-off', 'Inside the tank']],
  ['Island shuttle', 'Wiring', ['Sender and sensors', 'Lists and cuts', 'How to prove it']],
  ['Mail van 4', 'Cards', []],
];

test('the list of jobs is accessible in both themes (axe, WCAG 2.2 AA)', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Tarrow 30' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Under-car theme' }).click();
  await expectContrast(page);
});

for (const [job, stage, tabs] of pages)
  test(`${stage}${tabs.length > 0 ? `, ${tabs.join(', ')}` : ''}: accessible in both themes (axe, WCAG 2.2 AA)`, async ({
    page,
  }) => {
    await openJob(page, job, stage);
    await reckoned(page);
    if (stage === 'Run' && tabs.includes('Sizes')) await part(page, /^Hanger pump/).click();
    const inEachTab = async (look: (within?: string) => Promise<void>) => {
      if (tabs.length === 0) await look();
      for (const [i, name] of tabs.entries()) {
        await tab(page, name);
        await expect(page.getByRole('tab', { name, exact: true })).toHaveAttribute('aria-selected', 'true');
        await look(i === 0 ? undefined : 'main'); // what stands around the tabs stays
      }
    };
    await inEachTab((within) => expectAccessible(page, within));
    await page.getByRole('button', { name: 'Under-car theme' }).click();
    await inEachTab((within) => expectContrast(page, within)); // themes differ by their inks alone
  });
