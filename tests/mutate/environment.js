// Ends at the first test that fails: one is enough to have noticed a change.
const { TestEnvironment } = require('jest-environment-node');

module.exports = class EndsAtTheFirst extends TestEnvironment {
  failed = false;

  async handleTestEvent(event) {
    if (event.name === 'test_fn_failure' || event.name === 'hook_failure') this.failed = true;
    if (!this.failed) return;
    if (event.name === 'test_start') event.test.mode = 'skip';
    if (event.name === 'run_describe_start') event.describeBlock.mode = 'skip';
  }
};
