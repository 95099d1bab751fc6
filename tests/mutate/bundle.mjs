// Puts all tests a folder of the core is tried by, and what they import, into one file: loading
// many was most of what a change cost.
import { createRequire } from 'node:module';
import path from 'node:path';
import { buildSync } from 'esbuild';

const { chosenTests } = createRequire(import.meta.url)('./chosen.js');
const root = process.cwd();
const named = (file) => JSON.stringify(path.basename(file, '.test.ts'));
const from = (file) => JSON.stringify(`./${path.relative(root, file)}`);

buildSync({
  stdin: {
    contents: [
      "require('./tests/setup-after.js');",
      ...chosenTests(process.env.JAUGE_MUTATE ?? '').map(
        (file) => `describe(${named(file)}, () => { require(${from(file)}); });`,
      ),
    ].join('\n'),
    resolveDir: root,
  },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'cjs',
  logLevel: 'warning',
  outfile: path.join(root, 'build', 'mutate', 'all.js'),
});
