import { expect, fill, openJob, saved, snags, test } from './endrel.ts';

test('a sender is brought to a gauge: network, litres at E, and the same again after a reload', async ({ page }) => {
  await openJob(page, 'Club sprint car', 'Gauge');
  await expect(page.getByText('Say what reads the sender')).toBeVisible();
  await page.getByLabel(/^What reads the sender/).selectOption('ohms');
  await expect(page.getByRole('link', { name: /^Gauge 6 to measure/ })).toBeVisible();
  for (const [label, text] of [
    [/^Sender at the bottom stop/, '240 ohm'],
    [/^Sender at the top stop/, '33'],
    [/^Gauge reads E at/, '300'],
    [/^Gauge reads F at/, '100 Ω'],
    [/^Float at the bottom stop/, '1 in'],
    [/^Float at the top stop/, '230 mm'],
  ] as const)
    await fill(page, label, text);
  // 0.5 x 0.353 x 0.255 m3, and what lies under the float's bottom stop
  await expect(page.getByText('45 L').first()).toBeVisible();
  await expect(page.getByText(/^4[.]\d+ L$/).first()).toBeVisible();
  await expect(page.getByText(/Series 68 Ω, parallel 12 kΩ/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Circuit from gauge/ })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText(/Series 68 Ω, parallel 12 kΩ/)).toBeVisible();
  // a gauge of the other sense cannot be served
  await fill(page, /^Gauge reads E at/, '0');
  await fill(page, /^Gauge reads F at/, '90');
  await expect(snags(page)).toContainText('Sender and gauge run in opposite senses.');
});

test('a programmable gauge gets its table by tenths of the volume', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Gauge');
  await page.getByLabel(/^What reads the sender/).selectOption('programmable');
  await page.getByRole('tab', { name: 'Calibration' }).click();
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows).toHaveCount(12);
  await expect(rows.nth(11)).toContainText('33 Ω');
  await expect(rows.nth(1)).toContainText('240 Ω');
});
