// Mocha's dots, and what is said of the tests at the end.
const { reporters, Runner } = require('mocha');
const SaidOfTests = require('./said-of-tests.cjs');

module.exports = class FilesReporter extends reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const said = new SaidOfTests();
    const add = (test) => test.file && said.took(test.file, test.duration ?? 0);
    runner.on(Runner.constants.EVENT_TEST_PASS, add);
    runner.on(Runner.constants.EVENT_TEST_FAIL, (test, error) => {
      add(test);
      said.failed(test.file, test.fullTitle(), String(error?.message ?? error));
    });
    runner.on(Runner.constants.EVENT_RUN_END, () => said.write());
  }
};
