import type { Place } from '@/data/hand';

/** What each place is called, and where it is. */
export const PLACE_NAMES: Record<Place, string> = {
  far: 'Far',
  near: 'Near',
  stars: 'Stars',
  planets: 'Planets',
  deep: 'Deep sky',
};
export const PLACE_PATHS = {
  far: '/far',
  near: '/near',
  stars: '/sky',
  planets: '/sky/planets',
  deep: '/sky/deep',
} as const satisfies Record<Place, string>;
