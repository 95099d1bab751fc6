import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import type { Part } from '@/core/picture/shown';
import { visiblePart, type Viewport } from '@/core/picture/viewport';
import { elementOf } from '../web';

/** Gives the colours of a part of a picture; nothing when it is gone. */
export type PartSource = (part: Part) => Promise<Uint8ClampedArray | null>;

interface Size {
  width: number;
  height: number;
}

/** The whole picture is kept at most this wide or high, for moving; what rests is fetched sharp. */
const OVERVIEW_PX = 1600;
/** A view rests when it has not moved for so long. */
const REST_MS = 140;

interface Drawn {
  image: HTMLCanvasElement;
  part: Pick<Part, 'x' | 'y' | 'width' | 'height'>;
}

/** Colours on a canvas of their own. */
function canvasOf(colours: Uint8ClampedArray, width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')?.putImageData(new ImageData(colours as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas;
}

async function fetched(source: PartSource, part: Part): Promise<Drawn | null> {
  const colours = await source(part);
  return colours && { image: canvasOf(colours, part.outWidth, part.outHeight), part };
}

/** How a picture is seen. */
export interface Look {
  /** Colour the picture is seen in, for the night look; nothing leaves it grey. */
  tint: string | null;
  /** 0 lets all through that lies under it, 1 nothing. */
  opacity?: number;
  /** Takes what lies under it off. */
  difference?: boolean;
  /** Turned about a place of the screen. */
  turn?: Turn | null;
  /** Nothing is drawn but where another picture lies, or in one half of the screen. */
  within?: Within | 'left' | 'right' | null;
}

/** Where a picture lies on the screen. */
export interface Within {
  view: Viewport;
  size: Size;
  turn: Turn | null;
}

/** A turn about a place of the screen, degrees from +x towards +y. */
export interface Turn {
  deg: number;
  about: readonly [number, number];
}

/** Leaves only the place of another picture, or half of the screen, to be drawn on. */
function keepWithin(context: CanvasRenderingContext2D, within: Within | 'left' | 'right', screen: Size): void {
  if (within === 'left' || within === 'right') {
    const middle = screen.width / 2;
    context.beginPath();
    context.rect(within === 'left' ? 0 : middle, 0, middle, screen.height);
    return context.clip();
  }
  const { view, size, turn } = within;
  context.save();
  if (turn) turned(context, turn);
  context.beginPath();
  context.rect(view.x, view.y, size.width * view.scale, size.height * view.scale);
  context.restore();
  context.clip();
}

function turned(context: CanvasRenderingContext2D, { deg, about: [x, y] }: Turn): void {
  context.translate(x, y);
  context.rotate((deg * Math.PI) / 180);
  context.translate(-x, -y);
}

/** Draws a picture on a canvas inside a view: a reduced copy at once, the part in sight at full sharpness when the view rests. */
export function usePictureCanvas(
  host: RefObject<View | null>,
  source: PartSource,
  picture: Size,
  screen: Size,
  view: Viewport | null,
  { tint, opacity = 1, difference = false, turn = null, within = null }: Look,
): void {
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const overview = useRef<Drawn | null>(null);
  const sharp = useRef<Drawn | null>(null);
  const draw = useRef<() => void>(() => undefined);

  useEffect(() => {
    draw.current = () => {
      const element = canvas.current;
      const context = element?.getContext('2d');
      if (!element || !context || !view) return;
      const dots = window.devicePixelRatio || 1;
      context.setTransform(dots, 0, 0, dots, 0, 0);
      context.globalCompositeOperation = 'source-over';
      context.clearRect(0, 0, screen.width, screen.height);
      context.save();
      if (within) keepWithin(context, within, screen);
      if (turn) turned(context, turn);
      for (const drawn of [overview.current, sharp.current]) {
        if (!drawn) continue;
        const { part, image } = drawn;
        // Single pixels are shown as squares.
        context.imageSmoothingEnabled = view.scale * (part.width / image.width) < 3;
        context.drawImage(
          image,
          view.x + part.x * view.scale,
          view.y + part.y * view.scale,
          part.width * view.scale,
          part.height * view.scale,
        );
      }
      if (tint !== null) {
        context.globalCompositeOperation = 'multiply';
        context.fillStyle = tint;
        // Over the picture alone: beside it there is nothing that could take the colour.
        context.fillRect(view.x, view.y, picture.width * view.scale, picture.height * view.scale);
      }
      context.restore();
    };
    const frame = requestAnimationFrame(() => draw.current());
    return () => cancelAnimationFrame(frame);
  }, [view, screen, tint, turn, within, picture.width, picture.height]);

  // The canvas itself, as large as the view.
  useEffect(() => {
    const element = elementOf(host);
    if (!element || screen.width === 0) return;
    const made = document.createElement('canvas');
    const dots = window.devicePixelRatio || 1;
    made.width = Math.round(screen.width * dots);
    made.height = Math.round(screen.height * dots);
    Object.assign(made.style, {
      position: 'absolute',
      left: '0',
      top: '0',
      width: `${screen.width}px`,
      height: `${screen.height}px`,
    });
    made.setAttribute('aria-hidden', 'true');
    element.prepend(made);
    canvas.current = made;
    draw.current();
    return () => made.remove();
  }, [host, screen.width, screen.height]);

  useEffect(() => {
    if (!canvas.current) return;
    canvas.current.style.opacity = String(opacity);
    canvas.current.style.mixBlendMode = difference ? 'difference' : 'normal';
  }, [opacity, difference, screen.width, screen.height]);

  useEffect(() => {
    let live = true;
    overview.current = null;
    sharp.current = null;
    const share = Math.min(1, OVERVIEW_PX / Math.max(picture.width, picture.height));
    const part = {
      x: 0,
      y: 0,
      width: picture.width,
      height: picture.height,
      outWidth: Math.max(1, Math.round(picture.width * share)),
      outHeight: Math.max(1, Math.round(picture.height * share)),
    };
    void fetched(source, part).then((drawn) => {
      if (!live) return;
      overview.current = drawn;
      draw.current();
    });
    return () => {
      live = false;
    };
  }, [source, picture.width, picture.height]);

  useEffect(() => {
    if (!view || screen.width === 0) return;
    let live = true;
    const timer = setTimeout(() => {
      const dots = window.devicePixelRatio || 1;
      const share = Math.min(1, OVERVIEW_PX / Math.max(picture.width, picture.height));
      if (view.scale * dots <= share * 1.05) {
        sharp.current = null;
        return draw.current();
      }
      const seen = visiblePart(view, picture, screen);
      const scale = Math.min(1, view.scale * dots);
      const part = {
        ...seen,
        outWidth: Math.max(1, Math.round(seen.width * scale)),
        outHeight: Math.max(1, Math.round(seen.height * scale)),
      };
      void fetched(source, part).then((drawn) => {
        if (!live) return;
        sharp.current = drawn;
        draw.current();
      });
    }, REST_MS);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  }, [source, view, picture, screen]);
}
