import { execFileSync } from 'node:child_process';

const SUM =
  'const t=performance.now();let s=0;for(let i=0;i<4e6;i++)s+=Math.sqrt(i)/Math.log(i+1);console.log(performance.now()-t)';
const NORMAL = 97; // ms that the fixed sum took where the limits were set

/** How many times slower the machine is at this moment than where the limits were set: by a sum that is always the same. */
function slowness(): number {
  const times = Array.from({ length: 3 }, () =>
    Number(execFileSync(process.execPath, ['-e', SUM], { encoding: 'utf8' })),
  );
  return times.sort((a, b) => a - b)[1]! / NORMAL;
}

/** What is held against limits. Those in time are scaled by the speed of the machine at that moment; ratios and sizes are not. */
export class BenchLimits {
  readonly #over: string[] = [];
  #speed: number | undefined;

  /** How slow the machine is now; asked for again after a long measurement. */
  get slow(): number {
    return (this.#speed ??= slowness());
  }
  look(): void {
    this.#speed = undefined;
  }

  /** @param limit - in the unit of the value, at the machine's normal speed. */
  time(what: string, value: number, limit: number, unit: string): void {
    const now = limit * this.slow;
    if (value > now) this.#over.push(`${what}: ${figure(value)} ${unit}, limit ${figure(limit)} (${figure(now)} now)`);
  }
  size(what: string, value: number, limit: number, unit: string): void {
    if (value > limit) this.#over.push(`${what}: ${figure(value)} ${unit}, limit ${figure(limit)}`);
  }

  /** Says what is over its limit; the process ends as failed then. */
  tell(): void {
    console.log(`machine ${this.slow.toFixed(2)} × as slow as where the limits were set`);
    for (const one of this.#over) console.log(`OVER  ${one}`);
    if (this.#over.length > 0) process.exitCode = 1;
  }
}

const figure = (value: number): string => Number(value.toPrecision(3)).toString();
