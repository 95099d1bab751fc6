import { escaped } from '@/core/formats/escaped';

/** A drawing as text: what stands inside its `svg`, and its size, px. */
export interface Drawing {
  inside: string;
  widthPx: number;
  heightPx: number;
}

/** Where a desk keeps its drawing and its scale, as ids of elements. */
export const DESK_PICTURE = 'desk-picture';
export const DESK_READING = 'desk-reading';

const XMLNS = 'http://www.w3.org/2000/svg';

/** Marks what a drawing shows only beside the list it belongs to, such as the letters of the levers; it stays behind. */
export const NOT_TAKEN = 'not-taken';

/** Reads a drawing off the page. It carries its own colours and type sizes, so nothing else is needed of the page. */
export function drawingOf(svg: SVGSVGElement): Drawing {
  const { width, height } = svg.getBoundingClientRect();
  const serializer = new XMLSerializer();
  const copy = svg.cloneNode(true);
  if (copy instanceof Element) copy.querySelectorAll(`[data-testid="${NOT_TAKEN}"]`).forEach((part) => part.remove());
  const inside = Array.from(copy.childNodes)
    .map((node) => serializer.serializeToString(node).replaceAll(` xmlns="${XMLNS}"`, ''))
    .join('');
  return { inside, widthPx: Math.round(width), heightPx: Math.round(height) };
}

/** A drawing with a name of its own. */
export interface NamedDrawing {
  name: string;
  drawing: Drawing;
}

/** All drawings within an element, named by the first words of what is told of them to those who do not see them. */
export function drawingsWithin(host: Element | null): NamedDrawing[] {
  return Array.from(host?.querySelectorAll('[role="img"]') ?? []).flatMap((image) => {
    const name = (image.getAttribute('aria-label') ?? '').split(/[:,;.] /)[0] ?? '';
    return Array.from(image.querySelectorAll('svg'), (svg, i) => ({
      name: i === 0 ? name : `${name} ${i + 1}`,
      drawing: drawingOf(svg),
    }));
  });
}

interface Sheet {
  title: string;
  /** Colour of the ground. */
  ground: string;
  /** Rules that bring the fonts along. */
  fontFaces?: string;
}

/** A whole SVG file of a drawing, on a ground, with its title. */
export const svgFile = (drawing: Drawing, { title, ground, fontFaces = '' }: Sheet): string =>
  [
    `<svg xmlns="${XMLNS}" width="${drawing.widthPx}" height="${drawing.heightPx}" viewBox="0 0 ${drawing.widthPx} ${drawing.heightPx}">`,
    `<title>${escaped(title)}</title>`,
    fontFaces ? `<style>${fontFaces}</style>` : '',
    `<rect width="100%" height="100%" fill="${ground}"/>`,
    drawing.inside,
    '</svg>',
  ].join('');

/** A drawing inside another one, at a place and a width. */
export function placed(drawing: Drawing, x: number, y: number, widthPx: number): string {
  const heightPx = (drawing.heightPx / drawing.widthPx) * widthPx;
  return `<svg x="${x}" y="${y}" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${drawing.widthPx} ${drawing.heightPx}">${drawing.inside}</svg>`;
}
