// npm run bench: prints a table of times, with ratios against a reference engine where there is one; fails, and
// lists it, where something is over its limit at the machine's speed of the moment. With --load, the load run.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

await ensurePackages();
const args = process.argv.slice(2);
const isLoad = args[0] === '--load';
const scripts = isLoad ? ['bench-load.ts'] : ['bench.ts', 'bench-saves.ts', 'bench-app.mjs'];
let failed = 0; // all of it is measured, whatever was over its limit
for (const script of scripts) {
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', `scripts/${script}`, ...args.slice(isLoad ? 1 : 0)],
    { cwd: projectRoot, stdio: 'inherit' },
  );
  if (status !== 0) failed = status ?? 1;
}
process.exit(failed);
