import { appendFileSync } from 'node:fs';
import path from 'node:path';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** How long each file of tests took: ENDREL_TIMES names the file that it is added to. */
export default class FilesReporter implements Reporter {
  readonly #took = new Map<string, number>();

  onTestEnd(test: TestCase, result: TestResult): void {
    const file = path.relative(process.cwd(), test.location.file);
    this.#took.set(file, (this.#took.get(file) ?? 0) + result.duration);
  }

  onEnd(): void {
    const lines = [...this.#took].map(([file, milliseconds]) => `${JSON.stringify({ file, milliseconds })}\n`);
    if (process.env.ENDREL_TIMES) appendFileSync(process.env.ENDREL_TIMES, lines.join(''));
  }

  printsToStdio(): boolean {
    return false;
  }
}
