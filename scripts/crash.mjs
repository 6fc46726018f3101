// npm run crash: installs and builds what is missing, then kills Endrel at random; see crash.ts.
import { spawnSync } from 'node:child_process';
import { ensureBuild } from './lib/ensure-build.mjs';
import { ensurePostgres } from './lib/ensure-debian.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

await ensurePackages();
await ensurePostgres();
await ensureBuild();
const args = ['--import', 'tsx', 'scripts/crash.ts', ...process.argv.slice(2)];
process.exit(spawnSync(process.execPath, args, { cwd: projectRoot, stdio: 'inherit' }).status ?? 1);
