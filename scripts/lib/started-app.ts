// `npm start` as somebody has it running: its processes, and how it looks from outside. For tests and crash runs.
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot } from './project-root.mjs';

export const script = [process.execPath, 'scripts/start.mjs'];
export const npm = ['npm', 'start', '--'];

/** A data folder of its own, in a place that the database's user can pass through. */
export function temporaryData(): { readonly data: string; remove(): void } {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'endrel-start-'));
  chmodSync(folder, 0o755);
  return {
    data: path.join(folder, 'data'),
    remove: () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }),
  };
}

const read = (file: string): string => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
};

/** A zombie that nobody has reaped yet is dead. */
export const isAlive = (pid: number): boolean => {
  const stat = read(`/proc/${pid}/stat`);
  return stat !== '' && !/^\d+ \(.*\) Z/s.test(stat);
};
export const kill = (pid: number): void => {
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // it is gone already
  }
};
/** Process of the PostgreSQL that runs on a data folder; undefined where none does. */
export function postmasterOf(data: string): number | undefined {
  const pid = Number(read(path.join(data, 'cluster/data/postmaster.pid')).split('\n')[0]);
  return pid > 0 && isAlive(pid) ? pid : undefined;
}
/** Processes that serve the connections of a PostgreSQL. */
export function backendsOf(postmaster: number): number[] {
  return readdirSync('/proc')
    .map(Number)
    .filter((pid) => {
      if (!(pid > 0) || Number(/^\d+ \(.*\) . (\d+)/s.exec(read(`/proc/${pid}/stat`))?.[1]) !== postmaster)
        return false;
      return /postgres: .*(endrel|127\.0\.0\.1)/.test(read(`/proc/${pid}/cmdline`));
    });
}
/** The server that a start script has started; undefined between two. */
export function serverOf(starter: number): number | undefined {
  return readdirSync('/proc')
    .map(Number)
    .find(
      (pid) =>
        Number(/^\d+ \(.*\) . (\d+)/s.exec(read(`/proc/${pid}/stat`))?.[1]) === starter &&
        read(`/proc/${pid}/cmdline`).includes('packages/server/dist/main.js'),
    );
}

export class StartedApp {
  readonly #child: ChildProcess;
  readonly address: string;
  readonly #output: () => string;
  private constructor(child: ChildProcess, address: string, output: () => string) {
    this.#child = child;
    this.address = address;
    this.#output = output;
  }

  /** Starts it and waits until it says that it is ready. */
  static start(data: string, [program, ...before]: readonly string[], ...args: string[]): Promise<StartedApp> {
    const launched = launch(data, [program!, ...before, ...args]);
    const { child } = launched;
    const output = () => launched.output();
    return new Promise((resolve, reject) => {
      const look = () => {
        const address = /ready at (http:\/\/[\d.]+:\d+)/.exec(output())?.[1];
        if (address) resolve(new StartedApp(child, address, output));
      };
      child.stdout!.on('data', look);
      child.on('exit', () => reject(new Error(`start ended: ${output()}`)));
    });
  }

  get pid(): number {
    return this.#child.pid!;
  }
  get output(): string {
    return this.#output();
  }
  get hasEnded(): boolean {
    return this.#child.exitCode !== null || this.#child.signalCode !== null;
  }

  /** Sends the signal and waits; returns the exit code, null when it was killed. */
  async end(signal: NodeJS.Signals): Promise<number | null> {
    const ended = new Promise<number | null>((resolve) => this.#child.once('exit', resolve));
    this.#child.kill(signal);
    return ended;
  }

  /** Waits until it answers that it can do its work. @returns how long that took, ms. */
  async ready(patience: number): Promise<number> {
    const started = performance.now();
    for (;;) {
      const answer = await fetch(`${this.address}/api/health`, { signal: AbortSignal.timeout(2500) }).catch(
        () => undefined,
      );
      await answer?.body?.cancel();
      const took = performance.now() - started;
      if (answer?.ok) return took;
      if (this.hasEnded) throw new Error(`it has ended: ${this.output}`);
      if (took > patience) throw new Error(`not ready after ${Math.round(took)} ms: ${this.output}`);
      await sleep(20);
    }
  }
}

/** Starts it without waiting for anything. */
export function launch(
  data: string,
  [program, ...args]: readonly string[],
): { readonly child: ChildProcess; output(): string } {
  const child = spawn(program!, args, {
    cwd: projectRoot,
    env: { ...process.env, ENDREL_DATA: data, DATABASE_URL: '', ENDREL_PORT: undefined },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk) => (output = (output + String(chunk)).slice(-20_000)));
  return { child, output: () => output };
}

/** Waits until a process has ended, for as long as a clean stop may take. @returns whether it has. */
export async function gone(pid: number | undefined): Promise<boolean> {
  for (let i = 0; i < 100 && pid !== undefined && isAlive(pid); i++) await sleep(100);
  return pid === undefined || !isAlive(pid);
}
