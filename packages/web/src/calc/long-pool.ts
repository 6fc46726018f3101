/** One worker of the pool, which does one thing after another. */
export interface PoolWorker {
  /** @throws Error when it cannot be started, or dies before it answers. */
  call(name: string, args: readonly unknown[]): Promise<unknown>;
  /** Stops it, whatever it is doing. */
  end(): void;
  /** It died: another takes its place. */
  readonly isDead: boolean;
}

interface Task {
  readonly name: string;
  readonly args: readonly unknown[];
  /** It tells of its progress: it is long, and leaves a worker to what is short. */
  readonly isLong: boolean;
  readonly signal: AbortSignal | undefined;
  resolve(answer: unknown): void;
  reject(why: unknown): void;
}

interface Seat {
  worker: PoolWorker | undefined;
  task: Task | undefined;
  /** What it did last: what it keeps for that is still there. */
  last: string | undefined;
}

const PATIENCE = 1500; // ms that something nobody waits for any more may go on before its worker is ended

/**
 * Workers for what takes longer than an edit. What is asked waits until one is free; what nobody waits for any more is never begun,
 * or stopped. Workers are started as they are needed.
 */
export class LongPool {
  readonly #start: () => PoolWorker;
  readonly #after: (ms: number, action: () => void) => void;
  readonly #seats: Seat[];
  readonly #queue: Task[] = [];
  /** What every worker is told, those that are started later too. */
  readonly #told: { readonly name: string; readonly args: readonly unknown[] }[] = [];

  /** @param size - workers at most. @param after - a clock. */
  constructor(
    start: () => PoolWorker,
    size: number,
    after: (ms: number, action: () => void) => void = (ms, action) => void setTimeout(action, ms),
  ) {
    this.#start = start;
    this.#after = after;
    this.#seats = Array.from({ length: size }, () => ({ worker: undefined, task: undefined, last: undefined }));
  }

  /**
   * @param args - of the worker's method; a function among them is told of progress, and answers whether to go on: false once nobody
   *   waits any more.
   * @throws the signal's reason once it is aborted; what the worker threw.
   */
  ask(name: string, args: readonly unknown[], signal?: AbortSignal): Promise<unknown> {
    if (signal?.aborted) return Promise.reject(reasonOf(signal));
    return new Promise((resolve, reject) => {
      const heard = args.map((arg) => (typeof arg === 'function' ? whileWanted(arg as Heard, signal) : arg));
      const isLong = args.some((arg) => typeof arg === 'function');
      const task: Task = { name, args: heard, isLong, signal, resolve, reject };
      signal?.addEventListener('abort', () => this.#leave(task), { once: true });
      this.#queue.push(task);
      this.#next();
    });
  }

  /** Said to every worker: a mesh that a job names. */
  async tell(name: string, ...args: readonly unknown[]): Promise<void> {
    this.#told.push({ name, args });
    await Promise.all(this.#seats.flatMap(({ worker }) => (worker && !worker.isDead ? [worker.call(name, args)] : [])));
  }

  #next(): void {
    for (;;) {
      const free = this.#seats.filter((s) => !s.task);
      const long = this.#seats.filter((s) => s.task?.isLong).length;
      const at = this.#queue.findIndex((t) => !t.isLong || long < Math.max(1, this.#seats.length - 1));
      const task = this.#queue[at];
      if (!task || free.length === 0) return;
      this.#queue.splice(at, 1);
      // who did the like before has it at hand; else who runs already
      const seat = free.find((s) => s.last === task.name) ?? free.find((s) => s.worker) ?? free[0]!;
      seat.task = task;
      seat.last = task.name;
      void this.#run(seat, task);
    }
  }

  async #run(seat: Seat, task: Task): Promise<void> {
    try {
      // one that died while it had nothing to do is replaced as one that was never started
      if (!seat.worker || seat.worker.isDead) {
        const worker = this.#start();
        seat.worker = worker;
        for (const { name, args } of this.#told) await worker.call(name, args);
      }
      task.resolve(await seat.worker.call(task.name, task.args));
    } catch (why) {
      task.reject(why);
    } finally {
      if (seat.task === task) {
        seat.task = undefined;
        this.#next();
      }
    }
  }

  #leave(task: Task): void {
    task.reject(reasonOf(task.signal!));
    const waiting = this.#queue.indexOf(task);
    if (waiting >= 0) {
      this.#queue.splice(waiting, 1);
      return;
    }
    const seat = this.#seats.find((s) => s.task === task);
    if (!seat) return;
    this.#watch(seat, task);
  }

  /** What tells of its progress stops by itself at its next step; the rest is not waited for where something else is. */
  #watch(seat: Seat, task: Task): void {
    this.#after(PATIENCE, () => {
      if (seat.task !== task) return;
      if (this.#queue.length === 0) return this.#watch(seat, task); // it may as well end: what it has at hand stays
      seat.worker?.end();
      Object.assign(seat, { worker: undefined, task: undefined, last: undefined });
      this.#next();
    });
  }
}

type Heard = (...said: unknown[]) => unknown;
const whileWanted =
  (heard: Heard, signal: AbortSignal | undefined): Heard =>
  (...said) =>
    signal?.aborted ? false : heard(...said);

const reasonOf = (signal: AbortSignal): Error =>
  signal.reason instanceof Error ? signal.reason : new Error('nobody waits for it any more');
