/* global process */
// What the reporters of Mocha and of Playwright keep for the end of npm test: how long each file took and what failed.
// ENDREL_TIMES names the file that it is added to, a line of JSON each.
const { appendFileSync } = require('node:fs');
const path = require('node:path');

module.exports = class SaidOfTests {
  #took = new Map();
  #failures = [];

  took(file, milliseconds) {
    const name = path.relative(process.cwd(), file);
    this.#took.set(name, (this.#took.get(name) ?? 0) + milliseconds);
  }

  failed(file, failed, why) {
    this.#failures.push({ file: file && path.relative(process.cwd(), file), failed, why });
  }

  write() {
    const times = [...this.#took].map(([file, milliseconds]) => ({ file, milliseconds }));
    const lines = [...times, ...this.#failures].map((line) => `${JSON.stringify(line)}\n`);
    if (process.env.ENDREL_TIMES) appendFileSync(process.env.ENDREL_TIMES, lines.join(''));
  }
};
