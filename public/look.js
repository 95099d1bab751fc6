// Sets the night look before the first paint, so that a page loaded in the dark never flashes bright.
try {
  var kept = JSON.parse(localStorage.getItem('jauge.inHand') || '{}');
  if (kept.state && (kept.state.look === 'night' || kept.state.look === 'dim'))
    document.documentElement.dataset.look = 'night';
  if (kept.state && kept.state.look === 'dim') document.documentElement.dataset.dim = '';
} catch (error) {
  // Storage that cannot be read only means the day look.
}
