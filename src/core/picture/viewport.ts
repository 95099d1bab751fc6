/**
 * How a picture lies on a piece of the screen: screen = offset + (picture + ½) · scale, so that the middle of a pixel is drawn
 * in the middle of its square.
 */
export interface Viewport {
  /** Screen px a picture px. */
  scale: number;
  x: number;
  y: number;
}

interface Size {
  width: number;
  height: number;
}

/** Larger than this single pixels fill the screen and nothing more is to be seen. */
const LARGEST_SCALE = 40;

/** All of the picture, in the middle. */
export function fitted(picture: Size, screen: Size): Viewport {
  const scale = Math.min(screen.width / picture.width, screen.height / picture.height);
  return {
    scale,
    x: (screen.width - picture.width * scale) / 2,
    y: (screen.height - picture.height * scale) / 2,
  };
}

export const toScreen = ({ scale, x, y }: Viewport, [px, py]: readonly [number, number]): [number, number] => [
  x + (px + 0.5) * scale,
  y + (py + 0.5) * scale,
];
export const toPicture = ({ scale, x, y }: Viewport, [sx, sy]: readonly [number, number]): [number, number] => [
  (sx - x) / scale - 0.5,
  (sy - y) / scale - 0.5,
];

const clamp = (value: number, least: number, most: number): number => Math.max(least, Math.min(most, value));

/** Keeps the picture on the screen: a small one in the middle, a large one without a gap at its side. */
export function kept(view: Viewport, picture: Size, screen: Size): Viewport {
  const along = (at: number, size: number, room: number) =>
    size <= room ? (room - size) / 2 : clamp(at, room - size, 0);
  return {
    scale: view.scale,
    x: along(view.x, picture.width * view.scale, screen.width),
    y: along(view.y, picture.height * view.scale, screen.height),
  };
}

/** Made larger or smaller about a place of the screen, which stays where it is. */
export function zoomed(
  view: Viewport,
  by: number,
  about: readonly [number, number],
  picture: Size,
  screen: Size,
): Viewport {
  const least = Math.min(fitted(picture, screen).scale, 1);
  const scale = clamp(view.scale * by, least, LARGEST_SCALE);
  const share = scale / view.scale;
  return kept(
    { scale, x: about[0] - (about[0] - view.x) * share, y: about[1] - (about[1] - view.y) * share },
    picture,
    screen,
  );
}

/** Moved by screen px. */
export const moved = (view: Viewport, dx: number, dy: number, picture: Size, screen: Size): Viewport =>
  kept({ ...view, x: view.x + dx, y: view.y + dy }, picture, screen);

/** The part of the picture that is on the screen, in whole px. */
export function visiblePart(view: Viewport, picture: Size, screen: Size) {
  const x = Math.max(0, Math.floor(-view.x / view.scale));
  const y = Math.max(0, Math.floor(-view.y / view.scale));
  const right = Math.min(picture.width, Math.ceil((screen.width - view.x) / view.scale));
  const bottom = Math.min(picture.height, Math.ceil((screen.height - view.y) / view.scale));
  return { x, y, width: Math.max(1, right - x), height: Math.max(1, bottom - y) };
}
