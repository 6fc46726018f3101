import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';
import SaidOfTests from '../scripts/lib/said-of-tests.cjs';

/** What is said of the browser tests at the end of npm test. */
export default class FilesReporter implements Reporter {
  readonly #said = new SaidOfTests();

  onTestEnd(test: TestCase, result: TestResult): void {
    this.#said.took(test.location.file, result.duration);
    if (result.status !== test.expectedStatus)
      this.#said.failed(test.location.file, test.title, result.error?.message ?? result.status);
  }

  onEnd(): void {
    this.#said.write();
  }

  printsToStdio(): boolean {
    return false;
  }
}
