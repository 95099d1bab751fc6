// When another version of the application takes over, which the person decides, every window begins anew with it, those too
// in which the application has not begun to run: old and new files never mix.
(function () {
  var container = navigator.serviceWorker;
  if (!container) return;
  var had = container.controller !== null;
  container.addEventListener('controllerchange', function () {
    if (had) location.reload();
    had = true;
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
    location.reload();
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
