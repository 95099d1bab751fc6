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
})();
