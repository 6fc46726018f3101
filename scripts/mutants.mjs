// npm run mutants [path ...] [--share=0.1]: changes the program a little, thousands of times, and lists the changes that no test
// notices, with the share that was noticed by folder.
//
// A path is a folder or file of packages/core/src, or of a package, such as web/src/session or server/src/services; `all` is what
// everything else stands on. Without one, the files changed since the last commit are taken. A share tries that part of their
// lines, the same each time. The tests beside what is mutated are run, and those that judge it by what a job says. What a
// message says (strings) is not mutated: it is read by eye. It takes minutes and is no part of npm test.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';
import { startTemporaryPostgres } from './lib/temporary-postgres.mjs';

const CORE = 'packages/core/src';
/** What everything else stands on. */
const ALL = [
  ...['run', 'wiring', 'heat', 'threads', 'joints', 'routes', 'reckoning', 'acts'].map((name) => `${CORE}/${name}`),
  'packages/web/src/session',
  'packages/server/src/services',
  'packages/server/src/repositories',
];
/** What else notices a change of the core, beside the tests of its own folder. */
const JUDGES = ['packages/core/test/said/said.test.ts', 'packages/core/test/version-2.test.ts'];
/** Folders of which the rules are the ones to notice. */
const JUDGED_BY_RULES = ['hangers', 'vents', 'sizing', 'checks'];
/** Tests elsewhere of what a folder does for others. */
const USED_BY = {
  hydraulics: ['run/prepared-run', 'run/system-curve', 'networks/networks'],
  checks: ['run/run-fault'],
  run: ['checks/rules/voltage-drop', 'checks/rules/beyond-pump-table', 'networks/networks', 'working/run-workings'],
};
/** Folders that other tests judge than whole jobs do: nearer, and quicker. */
const JUDGED_BY = {
  routes: [`${CORE}/checks/rules/route-rules.test.ts`, 'packages/core/test/said/said-routes.test.ts'],
};
/** What asks the server as pages do; the others start and stop whole processes. */
const SERVER_TESTS = [
  'acts-api',
  'large-things-api',
  'stored-jobs-api',
  'api',
  'list-api',
  'pumps-api',
  'shelf-api',
  'benders-api',
].map((name) => `packages/server/test/${name}.test.ts`);
/** Random sequences: seconds each, for every mutant, and rarely the first to notice. */
const SLOW = ['run/random-runs', 'run/epanet'].map((test) => `${CORE}/${test}.test.ts`);
const CHUNK = 10; // lines that a share is drawn by

const changedFiles = () =>
  execFileSync('git', ['diff', '--name-only', 'HEAD', '--', 'packages/*/src'], { cwd: projectRoot, encoding: 'utf8' })
    .split('\n')
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && existsSync(path.join(projectRoot, file)));

const found = (named) =>
  [named, path.join(CORE, named), path.join('packages', named)].find((p) => existsSync(path.join(projectRoot, p)));

await ensurePackages();
const share = Number(process.argv.find((a) => a.startsWith('--share='))?.slice('--share='.length) ?? 1);
const named = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const paths = named.includes('all') ? ALL : named.length > 0 ? named.map((n) => found(n) ?? n) : changedFiles();
const missing = paths.find((p) => !existsSync(path.join(projectRoot, p)));
if (missing) throw new Error(`There is no ${missing}`);
if (paths.length === 0) {
  console.log('Nothing has changed: name a folder or file, such as hydraulics');
  process.exit(0);
}

const isFolder = (p) => statSync(path.join(projectRoot, p)).isDirectory();
const folders = paths.map((p) => (isFolder(p) ? p : path.dirname(p)));
const judgesOf = (folder) => {
  const [, own] = Object.entries(JUDGED_BY).find(([name]) => folder.startsWith(`${CORE}/${name}`)) ?? [];
  return own ?? (folder.startsWith(CORE) ? JUDGES : []);
};
const isServer = (f) => f.startsWith('packages/server/');
// the server is tried by what is asked of it
const near = folders.filter((f) => !isServer(f)).map((f) => `${f}/**/*.test.ts`);
if (folders.some(isServer)) near.push(...SERVER_TESTS);
if (folders.some((f) => JUDGED_BY_RULES.some((name) => f.startsWith(`${CORE}/${name}`))))
  near.push(`${CORE}/checks/rules/*.test.ts`);
for (const [name, tests] of Object.entries(USED_BY))
  if (folders.some((f) => f.startsWith(`${CORE}/${name}`))) near.push(...tests.map((t) => `${CORE}/${t}.test.ts`));

const filesIn = (p) =>
  isFolder(p) ? readdirSync(path.join(projectRoot, p), { recursive: true }).map((f) => path.join(p, String(f))) : [p];
/** The share of a file's lines that is drawn, the same each time: by what stands in them. */
function drawn(file) {
  const lines = readFileSync(path.join(projectRoot, file), 'utf8').split('\n');
  return Array.from({ length: Math.ceil(lines.length / CHUNK) }, (_, i) => i * CHUNK).flatMap((from) => {
    const text = lines.slice(from, from + CHUNK).join('\n');
    const dice = createHash('sha256').update(`${file}\n${text}`).digest().readUInt32BE() / 2 ** 32;
    return dice < share ? [`${file}:${from + 1}-${Math.min(from + CHUNK, lines.length)}`] : [];
  });
}
const sources = paths.flatMap(filesIn).filter((f) => f.endsWith('.ts') && !/(\.test|-bench)\.ts$/.test(f));
const temporary = mkdtempSync(path.join(os.tmpdir(), 'endrel-mutants-'));
const config = path.join(temporary, 'stryker.conf.json');
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'mocha',
    plugins: ['@stryker-mutator/mocha-runner'],
    testRunnerNodeArgs: ['--import', 'tsx'],
    mochaOptions: {
      spec: [...new Set([...near, ...folders.flatMap(judgesOf)])],
      ignore: SLOW,
      require: ['./packages/core/test/forget-between-tests.ts'],
    },
    mutate: share < 1 ? sources.flatMap(drawn) : sources,
    mutator: { excludedMutations: ['StringLiteral'] },
    coverageAnalysis: 'perTest',
    ignoreStatic: true, // a constant that is read once at load is tried by the tests that run the file
    timeoutMS: 3000,
    dryRunTimeoutMinutes: 60, // all tests at once, on a busy machine
    concurrency: Math.max(1, os.availableParallelism()),
    tempDirName: path.join(temporary, 'sandboxes'),
    ignorePatterns: ['test-results', 'packages/web/dist', 'packages/server/dist', 'docs/screenshots', '.data'],
    allowConsoleColors: false,
    clearTextReporter: { allowColor: false, allowEmojis: false, logTests: false, reportTests: false },
    reporters: ['progress-append-only', 'clear-text'],
  }),
);
const database = folders.some(isServer) ? await startTemporaryPostgres('mutants', { fast: true }) : undefined;
const { status } = spawnSync(process.execPath, ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', config], {
  cwd: projectRoot,
  stdio: 'inherit',
  env: { ...process.env, ...(database ? { TEST_DATABASE_ADMIN_URL: database.adminUrl } : {}) },
});
await database?.stop();
rmSync(temporary, { recursive: true, force: true });
process.exit(status ?? 1);
