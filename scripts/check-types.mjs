// Type-checks every workspace with the native compiler.
import { spawnSync } from 'node:child_process';

/** What runs under Node and its tests; the core alone, with nothing of Node or the browser in it; the page. */
const projects = ['tsconfig.json', 'packages/core/tsconfig.json', 'packages/web/tsconfig.json'];
let failed = false;
for (const project of projects) {
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/typescript-native/bin/tsc', '--noEmit', '-p', project],
    {
      stdio: 'inherit',
    },
  );
  if (status !== 0) {
    console.error(`type errors in ${project}`);
    failed = true;
  }
}
process.exit(failed ? 1 : 0);
