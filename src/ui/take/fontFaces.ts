/** Families named in a drawing. */
const named = (svg: string): Set<string> =>
  new Set(Array.from(svg.matchAll(/font-family(?:=|:\s*)["']?([\w-]+)/g), (match) => match[1] ?? ''));

/** The rules by which the page found its fonts, by family. */
function facesOfPage(): Map<string, string> {
  const found = new Map<string, string>();
  for (const sheet of Array.from(document.styleSheets))
    for (const rule of Array.from(sheet.cssRules))
      if (rule instanceof CSSFontFaceRule) {
        const family = rule.style.getPropertyValue('font-family').replace(/["']/g, '');
        const address = /url\(["']?([^"')]+)/.exec(rule.style.getPropertyValue('src'))?.[1];
        if (address) found.set(family, new URL(address, document.baseURI).href);
      }
  return found;
}

const dataUrl = (content: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('The font cannot be read.'));
    reader.readAsDataURL(content);
  });

/** Rules that bring the fonts of a drawing along, so that it looks the same elsewhere; a font that cannot be had is left out. */
export async function fontFacesFor(svg: string): Promise<string> {
  const faces = facesOfPage();
  const rules = await Promise.all(
    Array.from(named(svg), async (family) => {
      const address = faces.get(family);
      if (!address) return '';
      try {
        const answer = await fetch(address);
        if (!answer.ok) return '';
        return `@font-face{font-family:${family};src:url(${await dataUrl(await answer.blob())})}`;
      } catch {
        // Without the server the viewer's own letters stand in.
        return '';
      }
    }),
  );
  return rules.join('');
}
