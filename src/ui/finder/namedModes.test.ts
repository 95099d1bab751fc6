import { namedModes } from './Finder';

const FRAMES = [
  { id: 'whole', name: 'Whole sensor', widthMm: 36, heightMm: 24 },
  { id: 'c12', name: 'Crop 1.2', widthMm: 30, heightMm: 20 },
  { id: 'c15', name: 'Crop 1.5', widthMm: 24, heightMm: 16 },
  { id: 'square', name: 'Square', widthMm: 24, heightMm: 24 },
];
const shownAt = (width: number, chosenId: string) =>
  namedModes(
    FRAMES.map((mode, index) => ({
      mode,
      index,
      chosen: mode.id === chosenId,
      perMm: (width - 2) / 36,
      width,
      height: (width * 2) / 3,
    })),
  ).map(({ mode }) => mode.id);

it('names every frame where there is room', () => {
  expect(shownAt(358, 'whole').sort()).toEqual(['c12', 'c15', 'square', 'whole']);
});

it('writes none over another in a small drawing, and names the chosen one whatever else goes', () => {
  for (const chosen of FRAMES.map((frame) => frame.id)) {
    const shown = shownAt(120, chosen);
    expect(shown[0]).toBe(chosen);
    expect(shown.length).toBeLessThan(4);
  }
});
