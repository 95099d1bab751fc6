const { transformSync } = require('esbuild');

const LOADERS = { '.ts': 'ts', '.tsx': 'tsx', '.js': 'jsx', '.jsx': 'jsx', '.mjs': 'js' };

/**
 * Our own sources for Jest, by the program that also bundles the server: what Babel takes minutes for on a fresh clone. Not
 * for tests: the mocks they name must come before their imports, which only Babel's own plugin does.
 */
module.exports = {
  process(source, file) {
    const { code, map } = transformSync(source, {
      loader: LOADERS[/\.\w+$/.exec(file)[0]],
      format: 'cjs',
      target: 'node20',
      platform: 'node',
      jsx: 'automatic',
      sourcefile: file,
      sourcemap: true,
      // Node's own import() knows neither Jest's modules nor its mocks.
      supported: { 'dynamic-import': false },
    });
    return { code, map };
  },
};
