import { withDemoApp } from './lib/demo-app.mjs';
const shots = process.argv.slice(2);
await withDemoApp(async ({ address, browser }) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  await page.goto(address);
  const jobs = await page.evaluate(async () => await (await fetch('/api/jobs')).json());
  const list = jobs.jobs ?? jobs.rows ?? jobs;
  for (const shot of shots) {
    const [name, job, stage, tab, action] = shot.split('|');
    const found = list.find((j) => j.name.includes(job));
    await page.goto(`${address}/jobs/${found.id}/${stage}${tab ? `?tab=${tab}` : ''}`);
    await page.waitForTimeout(2200);
    if (action) {
      for (const step of action.split(';')) {
        if (step.startsWith('click ')) await page.getByText(step.slice(6), { exact: false }).first().click();
        else if (step.startsWith('scroll ')) await page.getByText(step.slice(7)).first().scrollIntoViewIfNeeded();
        else if (step === 'full') {
        }
        await page.waitForTimeout(900);
      }
    }
    await page.screenshot({ path: `/tmp/w/${name}.png`, fullPage: action?.includes('full') ?? false });
  }
});
