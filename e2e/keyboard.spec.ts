import { expect, snags, test, type Page } from './endrel.ts';

/** What is read where, as somebody with a tape and a data sheet would type it. */
const readings: [RegExp, string][] = [
  [/engine power/i, '150 hp'],
  [/rail pressure wanted/i, '3 bar'],
  [/ethanol share/i, 'E10'],
  [/tank depth/i, '9 1/16 in'],
  [/rail or carburettor height/i, '2 ft'],
  [/line length/i, '3 m 20 cm'],
  [/tube length/i, '200 mm ±1'],
  [/hose length/i, '16 in.'],
];

/** Tabs on until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp, most = 60): Promise<void> {
  for (let i = 0; i < most; i++) {
    if (name.test(await focusedName(page))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`nothing called ${String(name)} within ${most} tabs`);
}

const focusedName = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const e = document.activeElement as HTMLInputElement | null;
    return e?.getAttribute('aria-label') ?? e?.labels?.[0]?.textContent ?? e?.textContent ?? '';
  });
const focusIsOnBody = (page: Page) => page.evaluate(() => document.activeElement === document.body);

test('a fitter takes a new job to a card without a mouse', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Mail van 4' })).toBeVisible();
  await tabTo(page, /^New job$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('Boom truck');
  await tabTo(page, /^Vehicle/);
  await page.keyboard.type('Skarn 8');
  await tabTo(page, /^nothing/);
  await page.keyboard.press('ArrowDown'); // a school, with its usual parts
  await tabTo(page, /^Start the job$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await expect(page.locator('main :is(input, select):focus')).toBeVisible(); // the first field; letters count once it is left
  await page.keyboard.press('Escape');

  // every measurement that is missing, one after the other
  const next = page.getByRole('button', { name: /^Next: / });
  await expect(next).toBeVisible();
  for (let i = 0; i < 20 && (await next.count()) > 0; i++) {
    const wanted = (await next.textContent())!;
    await page.keyboard.press('m');
    const field = page.locator('input:focus, select:focus');
    await expect(field).toBeVisible();
    if (await field.evaluate((e) => e instanceof HTMLSelectElement)) await page.keyboard.press('ArrowDown');
    else {
      const name = await focusedName(page);
      const reading = readings.find(([of]) => of.test(name));
      if (!reading) throw new Error(`nobody told what to type into “${name}”`);
      await page.keyboard.type(reading[1]);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('Escape');
    await expect.poll(() => focusIsOnBody(page)).toBe(true);
    await expect(next.filter({ hasText: wanted })).toHaveCount(0);
  }
  await expect(next).toHaveCount(0);

  // the run is solved; its snag is gone to, read and cured, and shown as cured where it stood
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await page.keyboard.press('Escape'); // no part is chosen any more
  await expect(page.getByRole('table', { name: 'The run at each operating point' })).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.press('n');
  await expect(snags(page).locator('li button:focus')).toContainText('“Engine feed hose” is rated below the pump’s');
  await page.keyboard.press('Enter'); // opens it
  await tabTo(page, /^Use PTFE-lined hose$/, 5);
  await page.keyboard.press('Enter');
  await expect(snags(page).locator('[data-cured]')).toContainText('Cured: “Engine feed hose”');
  await expect(snags(page).locator('[data-cured]:focus')).toHaveCount(1); // keys go on from there
  // the drawing walked with arrows, a working opened and closed, the focus back where it was
  await page.keyboard.press('Escape');
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog', { name: /Rail pressure/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(snags(page).locator('[data-cured]:focus')).toHaveCount(1);

  await page.keyboard.press('g');
  await page.keyboard.press('c');
  const row = page.getByRole('row', { name: /Feed line/ }).last();
  await expect(row).toContainText('3200 mm');
  await expect(
    page
      .getByText('bore −6', { exact: false })
      .or(page.getByText('bore 8', { exact: false }))
      .first(),
  ).toBeVisible();
  await tabTo(page, /^As CSV$/, 40);
  const [csv] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  expect(csv.suggestedFilename()).toBe('cards.csv');
});

test('Esc restores a field, Esc again leaves it, and then letters are keys', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Mail van 4' }).click();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  const depth = page.getByLabel(/^Tank depth/).first();
  const before = await depth.inputValue();
  await depth.fill('12 furlong');
  await page.keyboard.press('Escape');
  await expect(depth).toHaveValue(before);
  await expect(depth).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(depth).not.toBeFocused();
  await page.keyboard.press('g');
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/brief/);
  // a text, which is saved as it is typed, goes back as well
  const vehicle = page.getByLabel('Vehicle', { exact: true });
  const was = await vehicle.inputValue();
  await vehicle.fill('another');
  await page.keyboard.press('Escape');
  await expect(vehicle).toHaveValue(was);
  await page.keyboard.press('Escape');
  await expect(vehicle).not.toBeFocused();
});

test('the focus goes back to where it came from when a dialog, a sheet or a menu closes', async ({ page }) => {
  await page.goto('/');
  const copy = page.getByRole('button', { name: 'Copy: Mail van 4: injected two-litre' });
  await copy.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(copy).toBeFocused();

  await page.getByRole('link', { name: 'Mail van 4' }).click();
  const badge = page.getByRole('button', { name: /^saved/ });
  await badge.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(badge).toBeFocused();
  const working = page.getByRole('button', { name: /Working of the demand/ });
  await expect(working).toBeEnabled(); // once it is reckoned
  await working.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(working).toBeFocused();

  // an act that takes its own button away leaves the focus on the bench
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await page.locator('[data-part]').nth(3).focus();
  await page.keyboard.press('Enter');
  const out = page.getByRole('button', { name: 'Take it out' });
  await out.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});
