import { withDemoApp } from './lib/demo-app.mjs';
const only = process.argv.slice(2);
const views = [
  ['circuit', 'Mail', 'wiring'], ['volts', 'Hill', 'wiring?tab=volts'], ['cutoff', 'Mail', 'wiring?tab=cutOff'], ['intank', 'Mail', 'wiring?tab=tank'],
  ['signals', 'Island', 'wiring?tab=signals'], ['lists', 'Island', 'wiring?tab=lists'], ['proof', 'Mail', 'wiring?tab=proof'], ['empty', 'sprint', 'wiring'],
  ['wire', 'Island', 'wiring?part=wire-14'], ['device', 'Island', 'wiring?part=pump-controller-1'],
];
await withDemoApp(async ({ address, browser }) => {
  const { jobs } = await (await fetch(`${address}/api/jobs`)).json();
  for (const [file, name, below, h = 900] of views) {
    if (only.length && !only.includes(file)) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: h }, locale: 'en-GB' });
    page.on('console', (m) => m.type() === 'error' && console.log(file, m.text()));
    page.on('pageerror', (e) => console.log(file, 'ERR', e.message));
    await page.goto(`${address}/jobs/${jobs.find((j) => j.name.includes(name)).id}/${below}`);
    await page.waitForTimeout(6000);
    await page.screenshot({ path: `/tmp/w/${file}.png`, fullPage: process.env.FULL === '1' });
    await page.close();
  }
});
