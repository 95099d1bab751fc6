import type { Place } from '@/core/measure/benchTalk';
import type { Frame } from '@/core/measure/edge/findEdges';

/** The part of a picture between two of its corners, whichever they are. */
export const frameBetween = ([[x1, y1], [x2, y2]]: [Place, Place]): Frame => [
  Math.min(x1, x2),
  Math.min(y1, y2),
  Math.max(x1, x2),
  Math.max(y1, y2),
];
