import type { Part } from '../chain/parts';

const range = (from: number, to: number): string => (from === to ? `${to}` : `${from}–${to}`);

interface Zoom {
  focalWideMm: number;
  focalTeleMm: number;
  fNumberWide: number;
  fNumberTele: number;
}

/** A lens as lenses are labelled: focal lengths and widest f-numbers. */
export const zoomName = (part: Zoom): string =>
  `${range(part.focalWideMm, part.focalTeleMm)} f/${range(part.fNumberWide, part.fNumberTele)}`;

/**
 * What a part is called by its numbers where nobody named it, as people write them on a label; nothing for kinds whose numbers
 * do not tell them apart.
 */
export function plainName(part: Part): string | null {
  switch (part.kind) {
    case 'lens':
      return zoomName(part);
    case 'builtIn':
      return `Built-in ${zoomName(part)}`;
    case 'telescope':
      return `Telescope ${part.apertureMm}/${part.focalMm}`;
    case 'objective':
      return `Objective ${part.magnification}×`;
    case 'converter':
      return `Converter ×${part.factor}`;
    case 'innerConverter':
      return `Built-in ×${part.factor}`;
    case 'reducer':
      return `Reducer ×${part.factor}`;
    case 'barlow':
      return `Barlow ×${part.factor}`;
    case 'closeUp':
      return `Close-up lens ${part.dioptres > 0 ? '+' : ''}${part.dioptres}`;
    case 'tubeLens':
      return `Tube lens ${part.focalMm}`;
    default:
      return null;
  }
}
