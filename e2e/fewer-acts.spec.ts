import { expect, expectAccessible, openJob, part, saved, snags, tab, test, toStage, type Page } from './endrel.ts';

const paste = (page: Page, text: string) =>
  page.evaluate((plain) => {
    const data = new DataTransfer();
    data.setData('text/plain', plain);
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);

test('wires are typed into a table: Enter goes down, a block is pasted, a column filled down, each one step of undo', async ({
  page,
}) => {
  await openJob(page, 'Island shuttle', 'Wiring');
  await tab(page, 'Lists and cuts');
  await page.getByText('Type the wires in as a table').click();
  const lengths = page.getByRole('textbox', { name: /^Length, wire/i });
  await expect(lengths.first()).toBeVisible();
  expect(await lengths.count()).toBeGreaterThan(15);
  await lengths.first().fill('0.9 m');
  await page.keyboard.press('Enter');
  await expect(lengths.nth(1)).toBeFocused();
  await paste(page, '1.1\tin the cabin\n1.3 m\tnowhere\n1500 mm\tin the cabin');
  await expect(page.getByRole('main')).toContainText('5 cells pasted. Left as they were: lies');
  await expect(lengths.nth(1)).toHaveValue('1.1 m');
  await expect(lengths.nth(3)).toHaveValue('1500 mm');
  await saved(page);
  await page.getByRole('button', { name: 'Undo: paste into wires' }).click();
  await expect(lengths.nth(3)).not.toHaveValue('1500 mm');
  await expect(lengths.first()).toHaveValue('0.9 m');
  const marks = page.getByRole('textbox', { name: /^Marking, wire/i });
  await marks.first().fill('W');
  await page.getByRole('button', { name: 'Fill down: marking' }).click();
  await expect(marks.last()).toHaveValue('W');
  await marks.nth(2).focus();
  await expectAccessible(page);
  await saved(page);
});

test('a second pump goes beside the first in one act, and one step of undo takes all of it back', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await part(page, /^Hanger pump/).click();
  await page.getByRole('button', { name: 'Put another beside it' }).click();
  const dialog = page.getByRole('dialog', { name: 'Another beside “Hanger pump”' });
  await expect(dialog.getByLabel('A pickup and a sock of its own in the tank')).toBeChecked();
  await dialog.getByRole('button', { name: 'Put it beside' }).click();
  await expect(page.getByRole('heading', { name: 'Second hanger pump', level: 2 })).toBeVisible();
  await expect(part(page, /^Sock/)).toHaveCount(2);
  await expect(part(page, /^Tee/)).toHaveCount(1); // behind them; each draws through its own pickup
  await saved(page);
  await page.getByRole('button', { name: 'Undo: put another beside Hanger pump' }).click();
  await expect(part(page, /^Sock/)).toHaveCount(1);
});

test('a gauge goes onto a joint that is pressed on the run; the page lives with parts beside it', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Run');
  await page.locator('[data-joint]').last().click();
  await page.getByRole('menuitem', { name: 'Pressure gauge' }).click();
  await expect(part(page, /^Pressure gauge/)).toBeVisible();
  await page.getByRole('button', { name: 'Whole run' }).click();
  for (const kind of ['Pressure gauge', 'Sock']) {
    await page.getByRole('button', { name: 'Put a part beside the run' }).click();
    await page.getByRole('menuitem', { name: kind }).click();
    await expect(page.locator('[data-boundary]')).toHaveCount(0);
    await expect(page.getByRole('heading', { name: kind, level: 2 })).toBeVisible();
    await page.getByRole('button', { name: 'Whole run' }).click();
  }
  await page.reload();
  await expect(page.getByRole('heading', { name: 'The whole run' })).toBeVisible();
});

test('a new job begins in its first field, and undo shows what it put back on another stage', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Begun');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('main').locator('input:focus, select:focus')).toBeVisible();
  await expect(page.getByRole('main')).toContainText('What the engine burns and how much of it');
  await toStage(page, 'Survey');
  const depth = page.getByLabel(/^Tank depth/).first();
  await depth.fill('9 1/16');
  await expect(page.getByRole('main')).toContainText('read as inches: are they?');
  await depth.press('Tab');
  await toStage(page, 'Gauge');
  await page.getByRole('button', { name: /^Undo: set tank depth/ }).click();
  await expect(page).toHaveURL(/survey/);
  await expect(page.getByLabel(/^Tank depth/).first()).toHaveValue('');
  await expect(snags(page)).toContainText('Not judged yet');
});
