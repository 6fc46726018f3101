// npm run bench: prints a table of times, with ratios against a reference engine where there is one.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

await ensurePackages();
for (const script of ['scripts/bench.ts', 'scripts/bench-saves.ts', 'scripts/bench-app.mjs']) {
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', script], {
    cwd: projectRoot,
    stdio: 'inherit',
  });
  if (status !== 0) process.exit(status ?? 1);
}
