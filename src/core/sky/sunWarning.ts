/** Planets nearer to the Sun than this carry the warning. */
export const NEAR_SUN_DEG = 30;

export const SUN_WARNING =
  'Never point an unfiltered lens, finder or telescope at or near the Sun: a glance blinds, and a lens burns. Only with a certified filter over the front, by its maker’s and local advice.';
