import { hash, noiseOf } from './noise';

/** Distances in the plumage of a bird half a metre long, mm; other subjects have theirs in proportion. */
const FEATHER_MM = 9;
const BARB_MM = 0.7;
const BARBULE_MM = 0.16;

const broad = noiseOf(11);
const fine = noiseOf(17);

/**
 * Brightness of a plumage of our own making at a place on the subject, 0 to 1: overlapping feathers with a dark edge, barbs
 * slanting from their shafts, barbules across them, and a mottling over all.
 *
 * @param xMm across, in mm of a subject half a metre long
 * @param yMm down
 */
export function plumage(xMm: number, yMm: number): number {
  const row = Math.floor(yMm / FEATHER_MM);
  const shift = (row % 2) * FEATHER_MM * 0.5;
  const column = Math.floor((xMm + shift) / FEATHER_MM);
  // Place within the feather, from −1 to 1 across and 0 to 1 from its base.
  const across = ((xMm + shift) / FEATHER_MM - column) * 2 - 1;
  const along = yMm / FEATHER_MM - row;
  const edge = along + across * across * 0.55;
  const rim = Math.max(0, 1 - Math.abs(edge - 0.92) / 0.09);
  const shaft = Math.max(0, 1 - Math.abs(across) / 0.05);
  const slant = yMm + Math.abs(across) * FEATHER_MM * 0.5;
  const barb = 0.5 + 0.5 * Math.sin((2 * Math.PI * slant) / BARB_MM + hash(column, row, 3) * 6);
  const barbule = 0.5 + 0.5 * Math.sin((2 * Math.PI * (xMm * 0.8 + yMm * 0.6)) / BARBULE_MM);
  const mottle = broad(xMm / 5, yMm / 5) * 0.6 + fine(xMm / 1.4, yMm / 1.4) * 0.4;
  const base = 0.34 + 0.3 * mottle + 0.12 * hash(column, row, 5);
  return Math.min(
    1,
    Math.max(
      0,
      base + 0.16 * (barb - 0.5) * 2 * 0.5 + 0.07 * (barbule - 0.5) + 0.3 * shaft * (along < 0.9 ? 1 : 0) - 0.34 * rim,
    ),
  );
}
