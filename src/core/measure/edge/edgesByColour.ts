import type { Grey } from '../../picture/grey';
import { ok, type Result } from '../../quantity/result';
import type { Uses } from './edgeSpread';
import { findEdges, type EdgesFound, type Frame } from './findEdges';
import type { EdgeFound } from './measureEdge';

/** What of a mosaic an edge needs: the light of each pixel, and its colour. */
export interface ColouredPixels {
  grey: Grey;
  colourAt: (x: number, y: number) => number;
}

/** The same edge in the light of each colour. */
export interface EdgeByColour {
  red: EdgeFound | null;
  green: EdgeFound | null;
  blue: EdgeFound | null;
}

export interface Asked {
  frame?: Frame | undefined;
  onProgress?: ((share: number) => void) | undefined;
}

const NAMES = ['red', 'green', 'blue'] as const;

/**
 * Edges of a raw picture, on its mosaic: found in its grey light, measured in each colour by itself. Green, with twice as many
 * pixels, stands for all.
 */
export function edgesOnMosaic(
  grey: Grey,
  mosaic: ColouredPixels,
  asked: Asked = {},
): Result<EdgesFound & { colours: EdgeByColour[] }> {
  const usesOf =
    (colour: number): Uses =>
    (x, y) =>
      mosaic.colourAt(x, y) === colour;
  const found = findEdges(grey, {
    ...asked,
    onMosaic: NAMES.map((_, colour) => ({ grey: mosaic.grey, uses: usesOf(colour) })),
  });
  if (!found.ok) return found;
  const { edges, others } = found.value;
  const colours = edges.map((_, k): EdgeByColour => {
    const [red = null, green = null, blue = null] = others[k]!;
    return { red, green, blue };
  });
  return ok({ edges: edges.map((edge, k) => colours[k]!.green ?? edge), others, colours });
}
