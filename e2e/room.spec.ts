import { weigh } from '../scripts/lib/weigh.ts';
import {
  expect,
  expectAccessible,
  fill,
  heldUp,
  onDisk,
  openJob,
  part,
  saved,
  snags,
  tab,
  test,
  toStage,
  type Page,
} from './endrel.ts';

const STAGES = ['Brief', 'Survey', 'Layout', 'Pump & hanger', 'Joints', 'Gauge', 'Wiring', 'Cards'] as const;
const stage = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name });

/** px from its top to the lower end of the window, what of it can be seen without scrolling. */
const roomOf = (page: Page) =>
  page.getByRole('main').evaluate((main) => window.innerHeight - main.getBoundingClientRect().top);

test('outside the Run stage the bench has 600 px at least, and its first drawing and figures stand in it', async ({
  page,
}) => {
  await openJob(page, 'Tarrow 30', 'Brief');
  for (const name of STAGES) {
    await toStage(page, name);
    await expect(stage(page, name)).toHaveAttribute('aria-current', 'page');
    await expect(page.getByRole('group', { name: 'The run in one line' })).toBeVisible();
    expect(await roomOf(page), name).toBeGreaterThanOrEqual(600);
    const isInSight = (box: { y: number; height: number } | null) => box !== null && box.y + box.height <= 800;
    const drawing = page.getByRole('main').locator('figure svg, figure canvas, td svg').first();
    if (await drawing.count()) expect(isInSight(await drawing.boundingBox()), `${name}: its first drawing`).toBe(true);
    const figure = page.getByRole('main').locator('.figure:not(input)').first();
    if (await figure.count()) expect(isInSight(await figure.boundingBox()), `${name}: its first figure`).toBe(true);
  }
  await expectAccessible(page);
});

test('the run in one line is walked, shows its marks, opens by a key or its button, and stays as it was left', async ({
  page,
}) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const line = page.getByRole('group', { name: 'The run in one line' });
  await expect(line.getByRole('button', { name: /^Fuel rail: stop/ })).toBeVisible();
  await line.getByRole('button', { name: /^Tank/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(line.locator('[data-part]:focus')).toHaveAttribute('aria-pressed', 'true');
  await expect(page).toHaveURL(/survey.*part=/); // walking does not leave the stage
  await expect(line.locator('[data-part]:focus text').last()).toContainText('Hanger pump'); // and its name stands there
  await page.keyboard.press('Home');
  await expect(line.locator('[data-part]:focus')).toHaveAttribute('aria-label', /^Tank/);
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/run/);
  await expect(page.getByRole('heading', { name: 'Return drop', level: 2 })).toBeVisible();

  await toStage(page, 'Survey');
  await page.getByRole('button', { name: 'Draw the whole run' }).click();
  await expect(page.getByRole('group', { name: /^The run at/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('group', { name: /^The run at/ })).toBeVisible(); // remembered
  await page.keyboard.press('o');
  await expect(line).toBeVisible();
});

test('the operating point is chosen in the strip, with what each has and wants', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  const point = page.getByRole('combobox', { name: 'Operating point' });
  await expect(point.getByRole('option', { name: /^Rail at idle: [\d.]+ kPa, wants [\d.]+ kPa$/ })).toHaveCount(1);
  await point.selectOption({ label: (await point.getByRole('option').nth(1).textContent())! });
  await expect(page).toHaveURL(/at=idle/);
  await toStage(page, 'Run');
  await expect(page.getByRole('radio', { name: /^Idle/ })).toBeChecked();
});

test('stages say in words what is open in them', async ({ page }) => {
  await openJob(page, 'Beach patrol', 'Brief');
  await expect(stage(page, 'Survey')).toContainText('3 to measure');
  await expect(stage(page, 'Run')).toContainText('2 to measure');
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Empty');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(stage(page, 'Layout')).toContainText('to choose');
  await expect(stage(page, 'Brief')).toContainText(/\d to measure, \d to choose/);
});

test('snags of this stage and part come first, the rest in a line each; a cured one fades where it stood', async ({
  page,
}) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const here = snags(page).getByRole('region', { name: 'Here' });
  const elsewhere = snags(page).getByRole('region', { name: 'Elsewhere in the job' });
  await expect(here.getByRole('listitem').first()).toContainText('The vent’s highest point');
  await expect(here.getByRole('button', { name: 'Show it' })).toBeVisible(); // the worst here is open
  await expect(elsewhere).toContainText('“Fine filter on the pickup” is a fine filter');
  await expect(elsewhere).not.toContainText('40 µm'); // one line: its figures once it is opened
  const lines = await elsewhere.getByRole('listitem').evaluateAll((all) => all.map((e) => e.clientHeight));
  expect(Math.max(...lines)).toBeLessThanOrEqual(32);
  await elsewhere.getByRole('button', { name: /Fine filter on the pickup/ }).click();
  await expect(elsewhere).toContainText('40 µm');
  await expect(snags(page).getByRole('heading', { level: 2 })).toHaveText('10 to stop for, 10 to fix, 3 to note');
  await snags(page).evaluate((e) => e.scrollTo(0, e.scrollHeight));
  await expect(snags(page).getByRole('heading', { level: 2 })).toBeInViewport(); // counts stay in sight

  await elsewhere.getByRole('button', { name: 'Move it after the pump' }).click();
  const cured = snags(page).locator('[data-cured="fine-filter-before-pump:filter-1"], [data-cured^="fine-filter"]');
  await expect(cured).toContainText('Cured: “Fine filter on the pickup” is a fine filter before the pump.');
  await expect(cured).toContainText(/→/); // with the figure that changed
  await expect(cured).toHaveCount(0, { timeout: 12_000 });

  // a part that is chosen brings its own to the top
  await page.getByRole('group', { name: 'The run in one line' }).getByRole('button', { name: /^Tank/ }).focus();
  await page.keyboard.press('End');
  await expect(here.getByRole('listitem').first()).toContainText('“Return drop” ends above the fuel');
});

test('a snag that hides others says so', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Hanger pump/).click();
  const cell = page.getByLabel('Flow', { exact: true }).nth(2);
  await cell.fill('300 L/h');
  await cell.press('Tab');
  await expect(snags(page)).toContainText('Hides snags about pressure, flow, suction, voltage and heat');
});

test('an empty field shows the unit that a bare number gets: that of the display, whatever was typed elsewhere', async ({
  page,
}) => {
  await openJob(page, 'Beach patrol', 'Survey');
  const depth = page.getByLabel(/^Tank depth/).first();
  const height = page.getByLabel(/^Rail or carburettor height/);
  await expect(depth).toHaveAccessibleDescription(/a bare number is read in mm/);
  await fill(page, /^Tank depth/, '9 1/16 in');
  await expect(depth).toHaveValue('9 1/16 in'); // as it was typed
  await fill(page, /^Outlet height/, '20');
  await expect(page.getByLabel(/^Outlet height/)).toHaveValue('20 mm');
  await page.getByRole('button', { name: /kPa, L\/h/ }).click();
  await expect(height).toHaveAccessibleDescription(/a bare number is read in in/);
  await height.fill('24');
  await expect(page.getByText('24 in = 609.6 mm')).toBeVisible();
  await height.press('Tab');
  await expect(height).toHaveValue('24 in');
  // touched again, nothing changes
  await depth.focus();
  await depth.press('End');
  await depth.press('x');
  await depth.press('Backspace');
  await depth.press('Tab');
  await expect(depth).toHaveValue('9 1/16 in');
  await height.fill('9 17/16 in');
  await expect(page.getByText('9 17/16 in is 10 1/16 in: is that what was read?')).toBeVisible();
  await height.fill('600 mm ±2');
  await height.press('Tab');
  await expect(height).toHaveValue('600 mm ±2');
  await saved(page);
  await page.reload();
  await expect(height).toHaveValue('600 mm ±2');
  await expect(page.getByText(/± 2 mm|= 23 5\/8 in/).first()).toBeVisible();
});

test('dash sizes, gauges and threads are read where they belong, and survive a second touch', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Factory feed line/).click();
  for (const [label, text, again] of [
    [/^Tube outside diameter/, '#6', /= 9\.5[23] mm/],
    [/^Wall/, '20 ga', '= 0.035 in'],
  ] as const) {
    const field = page.getByLabel(label).first();
    await fill(page, label, text);
    await expect(field).toHaveValue(text);
    await field.focus();
    await field.press('End');
    await field.press('1');
    await field.press('Backspace');
    await field.press('Tab');
    await expect(field).toHaveValue(text);
    await expect(page.getByText(again).first()).toBeVisible();
  }
  await openJob(page, 'Mail van 4', 'Wiring');
  const wire = page.getByRole('button', { name: /^Wire 11,/ });
  await wire.focus();
  await wire.press('Enter');
  await fill(page, /^Conductor($| –)/, '14 AWG');
  await expect(page.getByLabel(/^Conductor$/)).toHaveValue('14 AWG');
  await expect(page.getByText('= 2.08 mm²')).toBeVisible();
});

test('inch people read fractions where a tape is used, and a card keeps to their units', async ({ page }) => {
  await openJob(page, 'Tarrow 30', 'Pump & hanger');
  await page.getByRole('button', { name: /kPa, L\/h/ }).click();
  await expect(page.getByRole('main').getByText('9 1/16 in').first()).toBeVisible();
  await toStage(page, 'Cards');
  await expect(page.getByRole('main')).toContainText(/114 3\/16 in/);
  await expect(page.getByRole('main')).not.toContainText(/\d mm/);
  await page.getByRole('button', { name: /flip units/ }).click();
  await expect(page.getByRole('main')).not.toContainText(/\d in\b/);
});

test('a new job begins with the usual parts of a school, or as a copy with or without its measurements', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Half typed');
  await page.reload();
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Half typed'); // nothing typed is lost
  await page.getByLabel('Job', { exact: true }).fill('Of a school');
  await page.getByLabel(/^a school of layout/).check();
  await page.getByLabel('School', { exact: true }).selectOption('Carburettor, dead-head');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByLabel(/^Fuel enters by/)).toHaveValue('carburettor');
  await expect(snags(page)).toContainText('Not judged yet: ');
  await toStage(page, 'Run');
  await part(page, /^Feed pump/).click();
  await page.getByText('Place in the layout, seals and note').click();
  await expect(page.getByRole('textbox', { name: 'Note', exact: true })).toHaveValue(/^Usual part: typical values/);

  await page.goto('/');
  await page.getByRole('button', { name: 'Copy: Mail van 4: injected two-litre' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Second van');
  await page.getByLabel('with its measurements').uncheck();
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('heading', { name: 'Second van' })).toBeVisible();
  await expect(page.getByLabel(/^Tank depth/).first()).toHaveValue('');
  await toStage(page, 'Brief');
  await expect(page.getByLabel(/^Engine power/)).toHaveValue('92 kW');
  await page.goto('/');
  await page.getByRole('button', { name: 'Copy: Mail van 4: injected two-litre' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Third van');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await toStage(page, 'Survey');
  await expect(page.getByLabel(/^Tank depth/).first()).not.toHaveValue('');
});

test('a first visit fetches no more script than it needs', async ({ browser, page, server }) => {
  await page.goto('/');
  const address = await page.getByRole('link', { name: 'Mail van 4' }).getAttribute('href');
  const list = await weigh(browser, server.address);
  expect(list.script, JSON.stringify(list.files)).toBeLessThanOrEqual(150_000);
  const brief = await weigh(browser, `${server.address}${address!.replace(/\/run.*/, '/brief')}`);
  expect(brief.script, JSON.stringify(brief.files)).toBeLessThanOrEqual(250_000);
  expect(brief.script).toBeGreaterThan(list.script); // it was measured
});

test.describe('under a car', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('every target is 44 px high at least, nothing is wider than the page, the chosen stage is in sight', async ({
    page,
  }) => {
    await openJob(page, 'Tarrow 30', 'Cards');
    await page
      .getByRole('button', { name: 'Theme' })
      .or(page.getByRole('button', { name: /theme/i }))
      .first()
      .click();
    for (const name of [...STAGES, 'Run'] as const) {
      await toStage(page, name);
      await expect(stage(page, name)).toHaveAttribute('aria-current', 'page');
      await expect(page.getByRole('group', { name: 'The run in one line' })).toHaveCount(0); // the strip folds away
      await expect(stage(page, name)).toBeInViewport();
      const tabs = await page.getByRole('main').getByRole('tab').allTextContents();
      for (const each of tabs.length > 0 ? tabs : ['']) {
        if (each) await tab(page, each);
        const small = await page.evaluate(() =>
          [...document.querySelectorAll<HTMLElement>('button, a[href], input, select, textarea, summary')].flatMap(
            (e) => {
              const own = e.getBoundingClientRect();
              if (own.width === 0 || e.closest('.sr-only')) return [];
              const isTick = e instanceof HTMLInputElement && (e.type === 'radio' || e.type === 'checkbox');
              // the strip's list lies over its name, which is as high as the cell
              const height = isTick ? (e.closest('label')?.getBoundingClientRect().height ?? own.height) : own.height;
              return height < 43.5 ? [`${Math.round(height)} ${e.getAttribute('aria-label') ?? e.textContent}`] : [];
            },
          ),
        );
        expect(small, `${name} ${each}`).toEqual([]);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), `${name} ${each}`).toBeLessThanOrEqual(
          390,
        );
      }
    }
    await expectAccessible(page);
  });

  test('a quantity is typed on keys for gloves, with fractions and units', async ({ page }) => {
    await openJob(page, 'Beach patrol', 'Survey');
    const depth = page.getByLabel(/^Tank depth/).first();
    await depth.tap();
    const keys = page.getByRole('group', { name: 'Keys for tank depth' });
    await expect(keys).toBeVisible();
    const press = async (...names: string[]) => {
      for (const name of names) await keys.getByRole('button', { name, exact: true }).tap();
    };
    await press('9', '1/16', 'in');
    await expect(depth).toHaveValue('9 1/16 in');
    await expect(page.getByText('9 1/16 in = 230.2 mm')).toBeVisible();
    await press('mm'); // another unit in its place
    await expect(depth).toHaveValue('9 1/16 mm');
    await press('in', 'Erase', 'Erase', 'Erase');
    await expect(depth).toHaveValue('9 1/16');
    for (const size of await keys
      .getByRole('button')
      .evaluateAll((all) => all.map((e) => e.getBoundingClientRect().height)))
      expect(size).toBeGreaterThanOrEqual(44);
    await press('Done');
    await expect(keys).toHaveCount(0);
    await expect(page.getByText('= 230.2 mm').first()).toBeVisible();
    // letters when they are wanted
    await depth.tap();
    await press('Letters');
    await expect(keys).toHaveCount(0);
    await expect(depth).toHaveAttribute('inputmode', 'text');
  });
});

test('seven operating points, demand and margin stand in the window without a cut, from 1280 px down to 1024', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Run');
  for (const width of [1280, 1150, 1024]) {
    await page.setViewportSize({ width, height: 800 });
    const points = page.getByRole('radiogroup', { name: 'Operating point' });
    await expect(points.getByRole('radio')).toHaveCount(7);
    expect(await points.evaluate((e) => e.scrollWidth - e.clientWidth), `${width} px`).toBeLessThanOrEqual(0);
    const edges = await page
      .locator('[data-reckoning] .label, [data-reckoning] .figure')
      .evaluateAll((all) =>
        all.filter((e) => e.getBoundingClientRect().bottom < 110).map((e) => e.getBoundingClientRect().right),
      );
    expect(Math.max(...edges), `${width} px`).toBeLessThanOrEqual(width);
    for (const text of await points.getByText(/^wants/).all()) {
      const [own, cell] = await text.evaluate((e) =>
        [e, e.closest('.border-r')!].map((x) => x.getBoundingClientRect().right),
      );
      expect(own!, `${width} px`).toBeLessThanOrEqual(cell!);
    }
  }
});

test('before a job is judged nothing says that it is sound, and where it cannot be judged the page says why', async ({
  page,
  context,
}) => {
  await context.route(/calc\.worker/, (route) => route.abort());
  await page.goto('/');
  await page.getByRole('link', { name: 'Mail van 4' }).click();
  await expect(snags(page)).toContainText('Not judged: Endrel cannot reckon here');
  await expect(page.getByRole('main')).not.toContainText('appears once');
  await expect(page.getByText('No snags found')).toHaveCount(0);
  await context.unroute(/calc\.worker/);
  await snags(page).getByRole('button', { name: 'Reckon again' }).click();
  await expect(snags(page)).toContainText('No snags found');
  await saved(page);
  await onDisk(page, 'results', 'revision'); // what was said is kept in a pause
  // at the next visit it stands there at once, in pencil, while the worker is held up
  const letGo = await heldUp(page, /calc\.worker/);
  await page.reload();
  await expect(page.locator('[data-reckoning="kept"]')).toBeVisible();
  await expect(snags(page)).toContainText('As of the last visit');
  await expect(part(page, /^Hanger pump/)).toBeVisible();
  letGo();
  await expect(page.locator('[data-reckoning="judged"]')).toBeVisible();
});

test('a new job with nothing measured is not “no snags”', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Empty');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(snags(page).getByRole('heading', { level: 2 })).toHaveText(
    /^Not judged yet: \d+ to measure, \d to choose$/,
  );
});

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('snags are a bar at the bottom with their count and the worst, which opens over the page', async ({ page }) => {
    await openJob(page, 'Tarrow 30', 'Survey');
    const bar = snags(page);
    await expect(bar).toContainText('10 to stop for, 10 to fix, 3 to note');
    await expect(bar).toContainText('is a fine filter before the pump'); // the worst
    const box = (await bar.boundingBox())!;
    expect([Math.round(box.y + box.height), box.height < 70]).toEqual([844, true]);
    await bar.getByRole('button').first().click();
    await expect(bar.getByRole('region', { name: 'Here', exact: true })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await expect(bar.getByRole('region', { name: 'Here', exact: true })).toHaveCount(0);
  });
});
