import { appendFileSync } from 'node:fs';
import path from 'node:path';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** How long each file of tests took and what failed: ENDREL_TIMES names the file that they are added to. */
export default class FilesReporter implements Reporter {
  readonly #took = new Map<string, number>();
  readonly #failures: { file: string; failed: string; why: string }[] = [];

  onTestEnd(test: TestCase, result: TestResult): void {
    const file = path.relative(process.cwd(), test.location.file);
    this.#took.set(file, (this.#took.get(file) ?? 0) + result.duration);
    if (result.status !== test.expectedStatus)
      this.#failures.push({ file, failed: test.title, why: result.error?.message ?? result.status });
  }

  onEnd(): void {
    const times = [...this.#took].map(([file, milliseconds]) => ({ file, milliseconds }));
    const lines = [...times, ...this.#failures].map((line) => `${JSON.stringify(line)}\n`);
    if (process.env.ENDREL_TIMES) appendFileSync(process.env.ENDREL_TIMES, lines.join(''));
  }

  printsToStdio(): boolean {
    return false;
  }
}
