// The longest tests first, so that no core waits for the last one. Jest knows how long each took only where it ran before.
const { default: Sequencer } = require('@jest/test-sequencer');

/** Those that take more than twenty seconds, the longest first. */
const LONGEST = [
  'core/measure/accuracy',
  'core/measure/pair/pair',
  'server/durability',
  'server/transfer/strict',
  'server/lan/lan',
  'cli/cli',
  'features/agree',
  'server/agreeing',
  'core/measure/stars/stars',
  'core/measure/edge/edge',
  'cli/measure/measure',
];
const place = ({ path }) => {
  const at = LONGEST.findIndex((name) => path.includes(`/src/${name}.test.`));
  return at < 0 ? LONGEST.length : at;
};

module.exports = class LongestFirst extends Sequencer {
  sort(tests) {
    // Sorting keeps the order of those that are alike.
    return super.sort(tests).sort((a, b) => place(a) - place(b));
  }
};
