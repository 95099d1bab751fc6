/** Anti-aliasing filter in front of the sensor, by the strength of its blur. */
export type AntiAliasFilter = 'none' | 'weak' | 'standard';

/** Displacement of the anti-aliasing filter in pixels. */
export const ANTI_ALIAS_PX: Record<AntiAliasFilter, number> = { none: 0, weak: 0.4, standard: 0.65 };
