/** Text as it may stand in SVG. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign);
