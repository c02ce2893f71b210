/* Modules of the interface take their texts as they are loaded: in tests of theirs English is there before. */
const { readFileSync, readdirSync } = require('node:fs');
const { join } = require('node:path');

if (expect.getState().testPath?.includes('/web/')) {
  const folder = join(__dirname, '../web/words/en');
  const texts = readdirSync(folder).map((name) => [
    name.replace('.json', ''),
    JSON.parse(readFileSync(join(folder, name), 'utf8')),
  ]);
  require('../web/words/t').startWords('en', Object.fromEntries(texts));
}
