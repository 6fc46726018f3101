// npm run mutants [path ...]: changes the core a little, thousands of times, and tells which changes no test notices.
//
// A path is a folder or file of packages/core/src; without one, the files changed since the last commit are taken. It is
// no part of npm test: a folder takes minutes.
// The tests beside what is mutated are run, and those that judge whole jobs. What a message says (strings) is not mutated: it is read by eye.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

const CORE = 'packages/core/src';
/** What every change to what is said of a job should be noticed by, whatever folder it is in. */
const JUDGES = [`${CORE}/checks/rules/limits.test.ts`, `${CORE}/assess.test.ts`, 'packages/core/test/version-2.test.ts']; // prettier-ignore
/** Random sequences: seconds each, for every mutant, and rarely the first to notice. */
const SLOW = ['run/random-runs', 'run/epanet'].map((test) => `${CORE}/${test}.test.ts`);

const changedFiles = () =>
  execFileSync('git', ['diff', '--name-only', 'HEAD', '--', CORE], { cwd: projectRoot, encoding: 'utf8' })
    .split('\n')
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && existsSync(path.join(projectRoot, file)));

const inCore = (named) => [named, path.join(CORE, named)].find((p) => existsSync(path.join(projectRoot, p)));

ensurePackages();
const named = process.argv.slice(2);
const paths = named.length > 0 ? named.map((n) => inCore(n) ?? n) : changedFiles();
const missing = paths.find((p) => !existsSync(path.join(projectRoot, p)));
if (missing) throw new Error(`There is no ${missing}`);
if (paths.length === 0) {
  console.log('Nothing in the core has changed: name a folder or file, such as hydraulics');
  process.exit(0);
}

const isFolder = (p) => statSync(path.join(projectRoot, p)).isDirectory();
const folders = paths.map((p) => (isFolder(p) ? p : path.dirname(p)));
const near = folders.map((f) => `${f}/**/*.test.ts`);
const temporary = mkdtempSync(path.join(os.tmpdir(), 'endrel-mutants-'));
const config = path.join(temporary, 'stryker.conf.json');
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'mocha',
    plugins: ['@stryker-mutator/mocha-runner'],
    testRunnerNodeArgs: ['--import', 'tsx'],
    mochaOptions: {
      spec: [...near, ...JUDGES],
      ignore: SLOW,
      require: ['./packages/core/test/forget-between-tests.ts'],
    },
    mutate: [...paths.map((p) => (isFolder(p) ? `${p}/**/*.ts` : p)), '!**/*.test.ts'],
    mutator: { excludedMutations: ['StringLiteral'] },
    coverageAnalysis: 'perTest',
    ignoreStatic: true, // a constant that is read once at load is tried by the tests that run the file
    timeoutMS: 4000,
    concurrency: Math.max(1, os.availableParallelism()),
    tempDirName: path.join(temporary, 'sandboxes'),
    ignorePatterns: ['test-results', 'packages/web/dist', 'docs/screenshots', '.data'],
    allowConsoleColors: false,
    clearTextReporter: { allowColor: false, allowEmojis: false, logTests: false, reportTests: false },
    reporters: ['progress-append-only', 'clear-text'],
  }),
);
const { status } = spawnSync(process.execPath, ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', config], {
  cwd: projectRoot,
  stdio: 'inherit',
});
rmSync(temporary, { recursive: true, force: true });
process.exit(status ?? 1);
