// npm test: installs what is missing, runs every check, leaves nothing running, ends with "N passed, N failed".
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ensureBuild } from './lib/ensure-build.mjs';
import { ensureChromium } from './lib/ensure-debian.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';
import { startTemporaryPostgres } from './lib/temporary-postgres.mjs';

const only = process.argv.find((a) => a.startsWith('--only='))?.slice('--only='.length);
const totals = { passed: 0, failed: 0 };
const CORES = 2; // that tests keep busy
const SLOWEST = 10; // files that are named
let database;

const node = (...args) => [process.execPath, ...args];
const mocha = (glob) =>
  node(
    '--import',
    'tsx',
    'node_modules/mocha/bin/mocha.js',
    '--parallel',
    '--jobs',
    String(CORES),
    '--reporter',
    'scripts/lib/files-reporter.cjs',
    glob,
  );
/** Where the runs say how long each file took, and what failed. */
const timesFolder = mkdtempSync(path.join(os.tmpdir(), 'endrel-times-'));
const times = path.join(timesFolder, 'times.jsonl');
writeFileSync(times, '');
const LINES_OF_A_FAILURE = 12;
/** What failed, said once more at the end, where it is found. */
const failures = [];
const indented = (text) =>
  stripVTControlCharacters(text)
    .split('\n')
    .slice(0, LINES_OF_A_FAILURE + 1)
    .map((line) => `      ${line}`)
    .join('\n');
const lastLines = (output) => output.trimEnd().split('\n').slice(-LINES_OF_A_FAILURE).join('\n');

/**
 * Runs a command and returns its output with the exit code. It is shown as it comes where nothing runs beside it, else once it is done, so
 * that two do not mix.
 */
function runShown(name, [program, ...args], { env = {}, isAlone = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: projectRoot,
      env: { ...process.env, ENDREL_TIMES: times, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const since = Date.now();
    let output = '';
    if (isAlone) console.log(`\n== ${name}`);
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        output += chunk;
        if (isAlone) process.stdout.write(chunk);
      });
    child.on('error', reject);
    child.on('close', (code) => {
      console.log(`\n== ${name}, ${Math.round((Date.now() - since) / 1000)} s`);
      if (!isAlone) process.stdout.write(output);
      resolve({ code, output });
    });
  });
}

const numberBefore = (output, word) =>
  Number([...output.matchAll(new RegExp(`(\\d+) ${word}\\b`, 'g'))].at(-1)?.[1] ?? 0);

/** A check that either holds or not: counts as one. */
async function check(name, command) {
  const { code, output } = await runShown(name, command);
  totals[code === 0 ? 'passed' : 'failed'] += 1;
  if (code !== 0) failures.push({ failed: name, why: lastLines(output) });
}

/** A suite that counts its own tests. One that dies without failing a test counts as a failure. */
async function suite(name, command, words, env) {
  const { code, output } = await runShown(name, command, { env, isAlone: env !== undefined });
  const [passed, failed] = words.map((word) => numberBefore(output, word));
  totals.passed += passed;
  totals.failed += failed;
  const hasDied = code !== 0 && failed === 0;
  const ranNothing = code === 0 && passed === 0;
  if (!hasDied && !ranNothing) return;
  totals.failed += 1;
  failures.push({ failed: name, why: ranNothing ? 'no test was run' : `exit code ${code}\n${lastLines(output)}` });
}

/** The linter takes as long as all the others. */
async function staticChecks() {
  const eslint = ['.', '--cache', '--cache-location', 'node_modules/.cache/eslint/', '--max-warnings', '0'];
  const others = async () => {
    await check('types', node('scripts/check-types.mjs'));
    await check('format', node('node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn'));
    await check('direction', node('scripts/check-direction.mjs'));
  };
  await Promise.all([check('lint', node('node_modules/eslint/bin/eslint.js', ...eslint)), others()]);
}

async function main() {
  await ensurePackages();
  const wanted = (part) => !only || only === part;
  const needsDatabase = wanted('api') || wanted('browser');
  // what needs no server runs side by side on the cores
  await Promise.all([
    wanted('static') && staticChecks(),
    wanted('unit') && suite('unit tests', mocha('packages/{core,cli,web}/**/*.test.ts'), ['passing', 'failing']),
    needsDatabase && ensureBuild(),
  ]);
  if (!needsDatabase) return;
  database = await startTemporaryPostgres('test', { fast: true });
  const env = { TEST_DATABASE_ADMIN_URL: database.adminUrl };
  if (wanted('api'))
    await suite('API and start-up tests', mocha('packages/server/test/**/*.test.ts'), ['passing', 'failing'], env);
  if (wanted('browser')) {
    const chromium = await ensureChromium();
    const extra = process.argv.slice(2).filter((a) => !a.startsWith('--only='));
    await suite(
      'browser tests',
      node('node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts', ...extra),
      ['passed', 'failed'],
      { ...env, CHROMIUM: chromium },
    );
  }
}

const saidByTheRuns = () =>
  readFileSync(times, 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line));

/** The files of tests that took longest, whatever ran them. */
function slowestFiles(said) {
  const took = new Map();
  for (const { file, milliseconds } of said)
    if (milliseconds !== undefined) took.set(file, (took.get(file) ?? 0) + milliseconds);
  return [...took].sort(([, a], [, b]) => b - a).slice(0, SLOWEST);
}

async function cleanUp() {
  await database?.stop();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void cleanUp().finally(() => process.exit(130)));

try {
  await main();
} catch (error) {
  failures.push({ failed: 'npm test', why: error.message });
  totals.failed += 1;
} finally {
  await cleanUp();
}
const said = saidByTheRuns();
const slowest = slowestFiles(said);
rmSync(timesFolder, { recursive: true, force: true });
if (slowest.length > 0) console.log('\nthe slowest files:');
for (const [file, milliseconds] of slowest) console.log(`${(milliseconds / 1000).toFixed(1).padStart(6)} s  ${file}`);
failures.push(...said.filter((line) => line.failed !== undefined));
if (failures.length > 0) console.log('\nwhat failed:');
for (const { file, failed, why } of failures) console.log(`  ${file ? `${file} › ` : ''}${failed}\n${indented(why)}`);
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed > 0 ? 1 : 0);
