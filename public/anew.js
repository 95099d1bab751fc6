// When another version of the application takes over, the window in which the person asked for it begins anew. So does every
// other one that holds nothing unsaved; one that does says so and waits until it does not: no word that was typed is lost.
(function () {
  var container = navigator.serviceWorker;
  if (!container) return;
  var had = container.controller !== null;
  // Counted by the window that calls the newer version (src/data/offline).
  var CALLS = 'jauge.callsNewer';
  var LOOK_MS = 2000;
  var waits = false;

  // A field that is being typed in holds text too, before the page knows of it.
  function isTyping() {
    var at = document.activeElement;
    return (
      at !== null &&
      /^(INPUT|TEXTAREA)$/.test(at.tagName) &&
      /^(text|search|number|textarea)$/.test(at.type) &&
      at.value !== ''
    );
  }
  function holdsText() {
    var root = document.documentElement;
    return Number(root.dataset.holds || 0) > 0 || document.querySelector('[aria-modal]') !== null || isTyping();
  }
  function asked() {
    return Number(sessionStorage.getItem(CALLS) || 0) > 0;
  }
  function whenFree() {
    if (!holdsText()) return location.reload();
    setTimeout(whenFree, LOOK_MS);
  }
  container.addEventListener('controllerchange', function () {
    // Without a worker, for one because the disk is full, the page goes on with what it has.
    if (container.controller === null) return;
    if (!had) {
      had = true;
      return;
    }
    if (asked() || !holdsText()) return location.reload();
    if (waits) return;
    waits = true;
    document.documentElement.dataset.newer = 'taken';
    dispatchEvent(new Event('jauge.newer'));
    setTimeout(whenFree, LOOK_MS);
  });

  // The other version may have taken over while this page was on its way, which nothing tells of: so the page looks once
  // whether it is the one that is kept.
  var BEGUN = 'jauge.begunFor';
  function versionOf(html) {
    var found = /<html[^>]* data-version="([^"]+)"/.exec(html);
    return found ? found[1] : null;
  }
  function compare(html) {
    var kept = versionOf(html);
    if (kept === null || kept === document.documentElement.dataset.version) return;
    // Whatever comes instead, it is asked for once.
    if (sessionStorage.getItem(BEGUN) === kept) return;
    sessionStorage.setItem(BEGUN, kept);
    whenFree();
  }
  addEventListener('load', function () {
    if (!container.controller) return;
    fetch('/index.html')
      .then(function (answer) {
        return answer.ok ? answer.text().then(compare) : undefined;
      })
      .catch(function () {
        // Neither kept nor within reach: this page goes on with what it has.
      });
  });
})();
