// Before the application runs: shows the reading this device had last, instead of the one everybody starts with.
(function () {
  var view = document.getElementById('first-view');
  if (!view) return;
  try {
    var own = JSON.parse(localStorage.getItem('jauge.firstView') || 'null');
    if (own) {
      Object.keys(own).forEach(function (name) {
        var field = view.querySelector('[data-first="' + name + '"]');
        if (field) field.textContent = own[name];
      });
    } else if (localStorage.getItem('jauge.hands') || localStorage.getItem('jauge.inHand')) {
      // Something is in hand, but what it read is not known here: better nothing than another set-up's number.
      view.remove();
    }
  } catch (error) {
    view.remove();
  }
})();
