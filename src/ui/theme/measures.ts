/** Sizes in px, shared by all of the interface. */
export const space = { hair: 2, small: 4, medium: 8, large: 12, page: 16, wide: 24 } as const;

/** Smallest side of anything that is pressed, for cold fingers. */
export const TARGET = 44;
/** From this width on the blocks stand in three columns and the places in a rail. */
export const WIDE_FROM = 900;
export const RAIL_WIDTH = 84;
export const NAV_HEIGHT = 56;
export const HAIRLINE = 1;
export const RADIUS = 3;

export const fontSize = { fine: 13, small: 14, body: 16, title: 20, figure: 24, large: 34, huge: 56 } as const;

export const family = {
  body: 'Barlow_400Regular',
  strong: 'Barlow_600SemiBold',
  figure: 'BarlowSemiCondensed_500Medium',
  figureStrong: 'BarlowSemiCondensed_600SemiBold',
} as const;
