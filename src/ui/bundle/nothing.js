// Stands in for components that nothing here shows, and says so should one be drawn.
export default function Nothing() {
  console.error('A component was drawn that is not bundled: take its name out of UNSHOWN in metro.config.js');
  return null;
}
