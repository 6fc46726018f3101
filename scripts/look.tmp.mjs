
import { withDemoApp } from './lib/demo-app.mjs';
// usage: node scripts/look.tmp.mjs WIDTHxHEIGHT [theme] job:stage[:query] ...
const [size, ...what] = process.argv.slice(2);
const [width, height] = size.split('x').map(Number);
await withDemoApp(async ({ address, browser }) => {
  const context = await browser.newContext({ viewport: { width, height }, ...(width < 500 ? { hasTouch: true, isMobile: true } : {}) });
  const page = await context.newPage();
  page.on('pageerror', (e) => console.log('ERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('console', m.text()));
  const jobs = await (await fetch(address + '/api/jobs?find=&away=false')).json();
  let n = 0;
  for (const w of what) {
    const [name, stage, query = '', after = ''] = w.split(':');
    const job = jobs.jobs.find((j) => j.name.startsWith(name));
    await page.goto(name === '-' ? address + stage : `${address}/jobs/${job.id}/${stage}?${query}`);
    await page.waitForTimeout(1500);
    if (after) { await eval(`(async()=>{${after}})()`); await page.waitForTimeout(700); }
    const m = await page.evaluate(() => { const r = document.querySelector('main')?.getBoundingClientRect(); return r && [r.top, innerHeight - r.top, document.querySelector('main').scrollHeight, document.querySelector('main').clientHeight]; });
    console.log(w, 'main top, room, scrollHeight, clientHeight', m);
    await page.screenshot({ path: `/tmp/look-${n++}.png` });
  }
});
