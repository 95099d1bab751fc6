// Fetches the parts of the application that come later. Modules which several of them share stand in one part of their own,
// and the bundler's page would load it at the start; here it comes with the first part that is asked for. The build notes
// its address in the page (scripts/lib/build.mjs); without one, as in development and in workers, nothing is different.
const asyncRequire = require('expo/src/async-require/asyncRequireModule');

function sharedPart() {
  const note = typeof document === 'undefined' ? null : document.querySelector('meta[name="shared-part"]');
  const address = note && note.getAttribute('content');
  // It remembers what it has loaded, and forgets what did not arrive.
  return address ? globalThis[`${globalThis.__METRO_GLOBAL_PREFIX__ ?? ''}__loadBundleAsync`](address) : null;
}

function requireLater(moduleId, paths, name) {
  const load = () => asyncRequire(moduleId, paths, name);
  if (paths && paths[String(moduleId)] != null) {
    const shared = sharedPart();
    return shared ? shared.then(load) : load();
  }
  try {
    return load();
  } catch (error) {
    // It stands in the shared part itself, or it is at fault: then it fails again.
    const shared = sharedPart();
    if (!shared) throw error;
    return shared.then(load);
  }
}

/**
 * Workers come from their own addresses, as the policy asks. The bundler's own way wraps them in scripts made at run time where the
 * page is alone with its origin, for parts that a worker fetches later: no worker here does.
 */
function createWorker(address, settings) {
  return new Worker(address, settings);
}

module.exports = Object.assign(requireLater, asyncRequire, { unstable_createWorker: createWorker });
