// Before the application runs: shows the reading this device had last, instead of the one everybody starts with. With no
// server there is none of the latter in the page, and the block is made here.
(function () {
  var view = document.getElementById('first-view');
  var own = null;
  try {
    own = JSON.parse(localStorage.getItem('jauge.firstView') || 'null');
  } catch (error) {
    own = null;
  }
  /** A paragraph of named fields and plain texts, as the server writes it (server/firstView). */
  function paragraph(className, parts) {
    var line = document.createElement('p');
    if (className) line.className = className;
    parts.forEach(function (part) {
      if (typeof part === 'string') return line.append(part);
      var field = document.createElement('span');
      field.className = part[1];
      field.dataset.first = part[0];
      line.append(field);
    });
    return line;
  }
  function made() {
    var block = document.createElement('div');
    block.id = 'first-view';
    block.append(
      paragraph('first-slate', [
        ['setup', 'first-name'],
        ['subject', 'first-name'],
      ]),
      paragraph('', [['pixels', 'first-huge'], ' px on the subject']),
      paragraph('', [['resolved', 'first-large'], ' px resolved']),
      paragraph('', [['verdict', 'first-verdict']]),
    );
    document.body.append(block);
    return block;
  }
  try {
    if (!view && own && (location.pathname === '/' || location.pathname === '/far')) view = made();
    if (!view) return;
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
    if (view) view.remove();
  }
})();
