/* global process */
// Mocha's dots, how long each file of tests took and what failed: ENDREL_TIMES names the file that they are added to.
const { appendFileSync } = require('node:fs');
const path = require('node:path');
const { reporters, Runner } = require('mocha');

module.exports = class FilesReporter extends reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const took = new Map();
    const failures = [];
    const add = (test) => {
      if (!test.file) return;
      const file = path.relative(process.cwd(), test.file);
      took.set(file, (took.get(file) ?? 0) + (test.duration ?? 0));
    };
    runner.on(Runner.constants.EVENT_TEST_PASS, add);
    runner.on(Runner.constants.EVENT_TEST_FAIL, (test, error) => {
      add(test);
      const file = test.file && path.relative(process.cwd(), test.file);
      failures.push({ file, failed: test.fullTitle(), why: String(error?.message ?? error) });
    });
    runner.on(Runner.constants.EVENT_RUN_END, () => {
      const times = [...took].map(([file, milliseconds]) => ({ file, milliseconds }));
      const lines = [...times, ...failures].map((line) => `${JSON.stringify(line)}\n`);
      if (process.env.ENDREL_TIMES) appendFileSync(process.env.ENDREL_TIMES, lines.join(''));
    });
  }
};
