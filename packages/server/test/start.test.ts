import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from 'chai';
import type { JobList } from '@endrel/core/contract/api';

// `npm start` itself, in a data folder of its own. Needs the built web application, which scripts/test.mjs makes first.
const root = path.resolve(import.meta.dirname, '../../..');

class Started {
  readonly #child: ChildProcess;
  readonly address: string;
  constructor(child: ChildProcess, address: string) {
    this.#child = child;
    this.address = address;
  }
  get pid(): number {
    return this.#child.pid!;
  }
  /** Sends the signal and waits; returns the exit code, null when it was killed. */
  async end(signal: NodeJS.Signals): Promise<number | null> {
    const ended = new Promise<number | null>((resolve) => this.#child.once('exit', resolve));
    this.#child.kill(signal);
    return ended;
  }
}

const script = [process.execPath, 'scripts/start.mjs'];
const npm = ['npm', 'start', '--'];

function start(data: string, [program, ...before]: string[], ...args: string[]): Promise<Started> {
  const child = spawn(program!, [...before, '--port', '0', ...args], {
    cwd: root,
    env: { ...process.env, ENDREL_DATA: data, DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  return new Promise((resolve, reject) => {
    const read = (chunk: Buffer) => {
      output += chunk.toString();
      const address = /http:\/\/[\d.]+:\d+/.exec(output)?.[0];
      if (address) resolve(new Started(child, address));
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.on('exit', () => reject(new Error(`start ended: ${output}`)));
  });
}

const jobsAt = async (address: string) => ((await (await fetch(`${address}/api/jobs`)).json()) as JobList).jobs;
const databaseOf = (data: string): number =>
  Number(readFileSync(path.join(data, 'cluster/data/postmaster.pid'), 'utf8').split('\n')[0]);
/** A zombie that nobody has reaped yet is dead. */
const isAlive = (pid: number) => {
  try {
    return !/^\d+ \(.*\) Z/.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return false;
  }
};

/** Waits until a process has ended, for as long as a clean stop may take. */
async function gone(pid: number): Promise<void> {
  for (let i = 0; i < 100 && isAlive(pid); i++) await new Promise((resolve) => setTimeout(resolve, 100));
  expect(isAlive(pid), 'the database still runs').to.equal(false);
}

describe('npm start', function () {
  this.timeout(60_000);
  const data = path.join(mkdtempSync(path.join(os.tmpdir(), 'endrel-start-')), 'data');
  before(() => {
    // mkdtemp makes a folder that only this user may enter; the database's user has to pass through it
    if (process.getuid?.() === 0) spawn('chmod', ['755', path.dirname(data)]);
  });
  after(() => rmSync(path.dirname(data), { recursive: true, force: true }));

  it('makes its database, loads the demo, serves the page, and leaves nothing running after SIGTERM', async () => {
    const first = await start(data, npm);
    expect((await jobsAt(first.address)).length).to.equal(6);
    const page = await (await fetch(first.address)).text();
    expect(page).to.match(/<title>Endrel/);
    const database = databaseOf(data);
    await first.end('SIGTERM');
    await gone(database);
  });

  it('keeps its data, and recovers after everything was killed with -9', async () => {
    const second = await start(data, script);
    await fetch(`${second.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{"name":"kept through a crash"}',
    });
    const database = databaseOf(data);
    await second.end('SIGKILL');
    process.kill(database, 'SIGKILL');
    const third = await start(data, script);
    const names = (await jobsAt(third.address)).map((j) => j.name);
    expect(names).to.include('kept through a crash');
    expect(names.length).to.equal(7);
    expect(await third.end('SIGINT')).to.equal(0);
  });

  it('with --empty loads no demo', async () => {
    const empty = `${data}-empty`;
    const started = await start(empty, npm, '--empty');
    expect(await jobsAt(started.address)).to.deep.equal([]);
    const database = databaseOf(empty);
    await started.end('SIGKILL'); // npm itself is gone without a word
    await gone(database);
  });
});
