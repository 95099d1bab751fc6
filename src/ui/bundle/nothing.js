// Stands in for components that nothing here shows.
export default function Nothing() {
  return null;
}
