import type { Page } from '@playwright/test';

/** What is drawn over something else, or cut off by what holds it, in words; empty when all is well. */
export function overlapsAndCuts(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    interface Box {
      left: number;
      top: number;
      right: number;
      bottom: number;
    }
    interface Item {
      element: Element;
      name: string;
      box: Box;
    }
    const meet = (a: Box, b: Box): Box => ({
      left: Math.max(a.left, b.left),
      top: Math.max(a.top, b.top),
      right: Math.min(a.right, b.right),
      bottom: Math.min(a.bottom, b.bottom),
    });
    const size = ({ left, top, right, bottom }: Box): [number, number] => [right - left, bottom - top];
    const clips = (style: CSSStyleDeclaration) =>
      [style.overflowX, style.overflowY].some((value) => value === 'hidden' || value === 'auto' || value === 'scroll');
    const windows = new Map<Element, Box | null>();
    /** Through what an element is seen: the window and everything that scrolls or clips, the element itself too; null when hidden. */
    const windowOf = (element: Element): Box | null => {
      const known = windows.get(element);
      if (known !== undefined) return known;
      const around = element.parentElement
        ? windowOf(element.parentElement)
        : { left: 0, top: 0, right: window.innerWidth, bottom: window.innerHeight };
      const style = getComputedStyle(element);
      const hidden = style.clipPath !== 'none' || style.visibility === 'hidden' || Number(style.opacity) === 0;
      const through = hidden || !around ? null : clips(style) ? meet(around, element.getBoundingClientRect()) : around;
      windows.set(element, through);
      return through;
    };
    /** What of a box can be seen. */
    const seen = (element: Element, box: Box): Box | null => {
      const through = windowOf(element);
      if (!through) return null;
      const visible = meet(box, through);
      const [width, height] = size(visible);
      return width > 1 && height > 1 ? visible : null;
    };
    const problems: string[] = [];
    const texts: Item[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement;
      const name = node.textContent?.trim() ?? '';
      if (!parent || name === '' || /^(SCRIPT|STYLE|NOSCRIPT|TITLE)$/.test(parent.tagName)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const rect of range.getClientRects()) {
        // A line box is taller than its letters: what counts is about the height of capitals and figures.
        const trim = rect.height * 0.22;
        const box = { left: rect.left, right: rect.right, top: rect.top + trim, bottom: rect.bottom - trim };
        const visible = seen(parent, box);
        if (visible) texts.push({ element: parent, name: name.slice(0, 40), box: visible });
      }
    }
    const controls: Item[] = [
      ...document.querySelectorAll('[role=button],[role=radio],[role=switch],[role=tab],a,input,textarea'),
    ].flatMap((element) => {
      const visible = seen(element, element.getBoundingClientRect());
      const name = (element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 40);
      return visible ? [{ element, name: `[${name}]`, box: visible }] : [];
    });
    const apart = (a: Item, b: Item) => {
      const [width, height] = size(meet(a.box, b.box));
      return width <= 1.5 || height <= 1.5 || a.element.contains(b.element) || b.element.contains(a.element);
    };
    /** What lies on a layer of its own, such as an open sheet, hides what is below it on purpose. */
    const layer = (element: Element) => element.closest('[aria-modal]');
    const compare = (first: Item[], second: Item[], same: boolean) => {
      first.forEach((a, i) => {
        for (const b of same ? first.slice(i + 1) : second) {
          if (apart(a, b) || layer(a.element) !== layer(b.element)) continue;
          // Letters with a halo are drawn twice in one place.
          if (a.name === b.name && Math.abs(a.box.left - b.box.left) < 2 && Math.abs(a.box.top - b.box.top) < 2)
            continue;
          const where = `${Math.round(a.box.left)},${Math.round(a.box.top)}`;
          problems.push(`“${a.name}” and “${b.name}” overlap at ${where}`);
        }
      });
    };
    compare(texts, [], true);
    compare(controls, [], true);
    compare(texts, controls, false);
    for (const element of document.querySelectorAll<HTMLElement>('div,span,h1,h2,h3')) {
      if (![...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim()))
        continue;
      const style = getComputedStyle(element);
      if (style.overflowX !== 'hidden' || style.clipPath !== 'none' || !seen(element, element.getBoundingClientRect()))
        continue;
      // A name that ends in … is cut on purpose and can be heard whole.
      if (style.textOverflow === 'ellipsis') continue;
      if (element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 2)
        problems.push(`“${element.textContent?.slice(0, 40)}” is cut off`);
    }
    if (document.documentElement.scrollWidth > window.innerWidth) problems.push('the page scrolls sideways');
    return [...new Set(problems)];
  });
}
