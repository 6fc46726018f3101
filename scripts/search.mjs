// npm run search: the long random searches, of which npm test runs a seeded tenth. ENDREL_SEED searches elsewhere, ENDREL_RUNS longer.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { projectRoot } from './lib/project-root.mjs';

const packages = path.join(projectRoot, 'packages');
const isSearch = (file) =>
  file.endsWith('.test.ts') && !file.includes('node_modules') && readFileSync(file, 'utf8').includes("/search.ts'");
const files = readdirSync(packages, { recursive: true })
  .map((file) => path.join(packages, file))
  .filter(isSearch);

const run = (...args) =>
  spawnSync(process.execPath, args, {
    cwd: projectRoot,
    stdio: 'inherit',
    env: { ...process.env, ENDREL_SEARCH: 'yes' },
  }).status === 0;
const mocha = ['--import', 'tsx', 'node_modules/mocha/bin/mocha.js', '--parallel', '--jobs', '2', ...files];
const found = [run(...mocha), run('scripts/test.mjs', '--only=browser', 'any-job')];
process.exit(found.every(Boolean) ? 0 : 1);
