// Sets the night look before the first paint, so that a page loaded in the dark never flashes bright.
try {
  // Preferences had no entry of their own before.
  var text = localStorage.getItem('jauge.preferences') || localStorage.getItem('jauge.inHand') || '{}';
  var kept = JSON.parse(text);
  if (kept.state && (kept.state.look === 'night' || kept.state.look === 'dim'))
    document.documentElement.dataset.look = 'night';
  if (kept.state && kept.state.look === 'dim') document.documentElement.dataset.dim = '';
} catch (error) {
  // Storage that cannot be read only means the day look.
}
