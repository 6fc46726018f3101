// npm run bench: prints a table of times, with ratios against a reference engine where there is one. With --load, the load run.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

await ensurePackages();
const args = process.argv.slice(2);
const isLoad = args[0] === '--load';
const scripts = isLoad ? ['bench-load.ts'] : ['bench.ts', 'bench-saves.ts', 'bench-app.mjs'];
for (const script of scripts) {
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', `scripts/${script}`, ...args.slice(isLoad ? 1 : 0)],
    {
      cwd: projectRoot,
      stdio: 'inherit',
    },
  );
  if (status !== 0) process.exit(status ?? 1);
}
