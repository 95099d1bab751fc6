import type { Desk } from './desk';
import { bag } from './desks/bag';
import { beside, fairTestDesk, routes } from './desks/beside';
import { far, ladder, levers, planner, takes } from './desks/far';
import { kit, video } from './desks/kit';
import { aperture, near, nearLeversDesk, ratioPlan, sensors, stack } from './desks/near';
import { learned } from './desks/learned';
import { outing } from './desks/outing';
import { noise } from './desks/noise';
import { deep, night, planet, stars, strokes } from './desks/sky';

/** Every reading of the command line, by the word it is called with. A new one is added here, with an example. */
export const DESKS = {
  far,
  levers,
  ladder,
  planner,
  takes,
  beside,
  routes,
  fairTest: fairTestDesk,
  video,
  near,
  nearLevers: nearLeversDesk,
  ratioPlan,
  stack,
  aperture,
  sensors,
  stars,
  strokes,
  planet,
  deep,
  night,
  noise,
  bag,
  outing,
  learned,
  kit,
} satisfies Record<string, Desk>;

export type DeskName = keyof typeof DESKS;

/** A desk by its word; nothing for words that only objects know. */
export const deskOf = (name: string): Desk | undefined =>
  Object.hasOwn(DESKS, name) ? DESKS[name as DeskName] : undefined;
