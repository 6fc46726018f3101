// npm test: installs what is missing, runs every check, leaves nothing running, ends with "N passed, N failed".
import { spawn } from 'node:child_process';
import { ensureBuild } from './lib/ensure-build.mjs';
import { ensureChromium } from './lib/ensure-debian.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';
import { startTemporaryPostgres } from './lib/temporary-postgres.mjs';

const only = process.argv.find((a) => a.startsWith('--only='))?.slice('--only='.length);
const totals = { passed: 0, failed: 0 };
let database;

const node = (...args) => [process.execPath, ...args];
const mocha = (glob) => node('--import', 'tsx', 'node_modules/mocha/bin/mocha.js', '--reporter', 'dot', glob);

/** Runs a command, shows its output, and returns it with the exit code. */
function runShown([program, ...args], env = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: projectRoot,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        output += chunk;
        process.stdout.write(chunk);
      });
    child.on('error', reject);
    child.on('close', (code) => resolve({ code, output }));
  });
}

const numberBefore = (output, word) =>
  Number([...output.matchAll(new RegExp(`(\\d+) ${word}\\b`, 'g'))].at(-1)?.[1] ?? 0);

/** A check that either holds or not: counts as one. */
async function check(name, command) {
  console.log(`\n== ${name}`);
  const { code } = await runShown(command);
  totals[code === 0 ? 'passed' : 'failed'] += 1;
}

/** A suite that counts its own tests. One that dies without failing a test counts as a failure. */
async function suite(name, command, words, env) {
  console.log(`\n== ${name}`);
  const { code, output } = await runShown(command, env);
  const [passed, failed] = words.map((word) => numberBefore(output, word));
  totals.passed += passed;
  totals.failed += code !== 0 && failed === 0 ? 1 : failed;
  if (code === 0 && passed === 0) totals.failed += 1; // a suite that ran nothing has not passed
}

async function main() {
  await ensurePackages();
  const wanted = (part) => !only || only === part;
  if (wanted('static')) {
    await check(
      'lint',
      node(
        'node_modules/eslint/bin/eslint.js',
        '.',
        '--cache',
        '--cache-location',
        'node_modules/.cache/eslint/',
        '--max-warnings',
        '0',
      ),
    );
    await check('format', node('node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn'));
    await check('types', node('scripts/check-types.mjs'));
    await check('direction', node('scripts/check-direction.mjs'));
  }
  if (wanted('unit')) await suite('unit tests', mocha('packages/{core,cli,web}/**/*.test.ts'), ['passing', 'failing']);
  if (wanted('api') || wanted('browser')) {
    database = await startTemporaryPostgres('test', { fast: true });
    const env = { TEST_DATABASE_ADMIN_URL: database.adminUrl };
    await ensureBuild();
    if (wanted('api'))
      await suite('API and start-up tests', mocha('packages/server/test/**/*.test.ts'), ['passing', 'failing'], env);
    if (wanted('browser')) {
      const chromium = await ensureChromium();
      const extra = process.argv.slice(2).filter((a) => !a.startsWith('--only='));
      await suite(
        'browser tests',
        node('node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts', ...extra),
        ['passed', 'failed'],
        {
          ...env,
          CHROMIUM: chromium,
        },
      );
    }
  }
}

async function cleanUp() {
  await database?.stop();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void cleanUp().finally(() => process.exit(130)));

try {
  await main();
} catch (error) {
  console.error(error.message);
  totals.failed += 1;
} finally {
  await cleanUp();
}
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed > 0 ? 1 : 0);
