/** Where on a picture something lies: how far out, as a share of half the diagonal, and in words. */
export function whereOn(
  [x, y]: readonly [number, number],
  { width, height }: { width: number; height: number },
): { share: number; name: string } {
  const [u, v] = [(2 * x) / Math.max(1, width - 1) - 1, (2 * y) / Math.max(1, height - 1) - 1];
  const share = Math.hypot(u * width, v * height) / Math.hypot(width, height);
  if (share < 0.3) return { share, name: 'middle' };
  const vertical = Math.abs(v) > 0.4 ? (v < 0 ? 'top' : 'bottom') : '';
  const side = Math.abs(u) > 0.4 ? (u < 0 ? 'left' : 'right') : '';
  const name = [vertical, side].filter(Boolean).join(' ');
  return { share, name: share > 0.75 && vertical && side ? `corner, ${name}` : name || 'middle' };
}
