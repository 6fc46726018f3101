// npm run bench: prints a table of times, with ratios against a reference engine where there is one.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

ensurePackages();
const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/bench.ts'], {
  cwd: projectRoot,
  stdio: 'inherit',
});
process.exit(status ?? 1);
