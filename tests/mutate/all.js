// All tests a folder of the core is tried by, as one file: what they import is loaded once for each change, not once for each file.
const path = require('node:path');
const { chosenTests } = require('./chosen');

for (const file of chosenTests(process.env.JAUGE_MUTATE ?? '')) {
  describe(path.basename(file, '.test.ts'), () => {
    require(file);
  });
}
