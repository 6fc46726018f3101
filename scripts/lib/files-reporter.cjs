/* global process */
// Mocha's dots, and how long each file of tests took: ENDREL_TIMES names the file that they are added to.
const { appendFileSync } = require('node:fs');
const path = require('node:path');
const { reporters, Runner } = require('mocha');

module.exports = class FilesReporter extends reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const took = new Map();
    const add = (test) => {
      if (!test.file) return;
      const file = path.relative(process.cwd(), test.file);
      took.set(file, (took.get(file) ?? 0) + (test.duration ?? 0));
    };
    runner.on(Runner.constants.EVENT_TEST_PASS, add);
    runner.on(Runner.constants.EVENT_TEST_FAIL, add);
    runner.on(Runner.constants.EVENT_RUN_END, () => {
      const lines = [...took].map(([file, milliseconds]) => `${JSON.stringify({ file, milliseconds })}\n`);
      if (process.env.ENDREL_TIMES) appendFileSync(process.env.ENDREL_TIMES, lines.join(''));
    });
  }
};
