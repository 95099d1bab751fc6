import type { Page } from '@playwright/test';

/** What is in hand on the device, place by place, before the first page is opened; what is kept there already stays. */
export interface OnDevice {
  far?: object;
  near?: object;
  stars?: object;
  planets?: object;
  deep?: object;
  sky?: object;
  preferences?: object;
}

const PLACES = ['far', 'near', 'stars', 'planets', 'deep'] as const;

/** The same set-up in every place of the sky. */
export const underTheSky = (setupId: string): OnDevice => ({
  stars: { setupId },
  planets: { setupId },
  deep: { setupId },
});

/** Puts something in hand, as a person who was here before. */
export async function holdInHand(page: Page, held: OnDevice): Promise<void> {
  const hands = Object.fromEntries(PLACES.flatMap((place) => (held[place] ? [[place, held[place]]] : [])));
  const entries = {
    'jauge.hands': { place: 'far', hands, ...(held.sky ? { sky: held.sky } : {}) },
    ...(held.preferences ? { 'jauge.preferences': held.preferences } : {}),
  };
  await page.addInitScript((kept) => {
    for (const [name, state] of Object.entries(kept))
      if (localStorage.getItem(name) === null) localStorage.setItem(name, JSON.stringify({ state, version: 1 }));
  }, entries);
}
