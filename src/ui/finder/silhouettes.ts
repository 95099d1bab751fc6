import type { SubjectKind } from '@/core/kit/subjects';

/** A shape of our own, drawn in a box of the width given and a height of 100. */
export interface Silhouette {
  width: number;
  /** Filled outlines, and lines drawn with a width. */
  fills: string[];
  lines: { d: string; width: number }[];
  /** Parts laid over in the ground's colour: an eye, the markings of a wing. */
  gaps: string[];
}

/** One simple silhouette per kind of subject; its box is exactly the extent the size is measured in. */
export const SILHOUETTES: Record<SubjectKind, Silhouette> = {
  wader: {
    width: 112,
    fills: [
      'M35 12 C41 11 46 15 47 21 C48 27 52 32 59 33 C72 32 88 34 98 40 L112 47 L101 51 C97 58 86 64 74 63 C60 63 47 57 43 45 C41 38 41 32 38 28 C35 28 32 27 30 25 C18 24 8 29 1 39 L0 38 C6 26 17 19 29 19 C29 15 31 12 35 12 Z',
    ],
    lines: [
      { d: 'M68 61 L66 80 L61 98 M61 99 L54 99', width: 2.2 },
      { d: 'M77 61 L79 80 L75 98 M75 99 L68 99', width: 2.2 },
    ],
    gaps: ['M35.5 17.5 a1.6 1.6 0 1 0 0.1 0 Z'],
  },
  perchingBird: {
    width: 130,
    fills: [
      'M18 22 C20 11 31 5 41 7 C51 9 57 16 62 24 C72 34 84 43 96 52 L130 78 L124 84 L98 74 C90 84 76 90 62 88 C44 86 31 74 27 58 C24 47 22 39 20 32 L0 31 Z',
    ],
    lines: [{ d: 'M58 86 L55 99 M68 87 L68 99', width: 2.6 }],
    gaps: ['M33 17.5 a2.6 2.6 0 1 0 0.1 0 Z'],
  },
  raptor: {
    width: 230,
    fills: [
      'M0 42 C14 22 36 8 60 10 C80 12 94 22 103 31 C107 27 111 24 115 24 C119 24 123 27 127 31 C136 22 150 12 170 10 C194 8 216 22 230 42 L219 38 L226 50 L212 44 L216 56 L200 48 L202 60 L186 50 C168 48 148 52 132 56 L128 66 L140 96 L124 90 L115 94 L106 90 L90 96 L102 66 L98 56 C82 52 62 48 44 50 L28 60 L30 48 L14 56 L18 44 L4 50 L11 38 Z',
    ],
    lines: [],
    gaps: [],
  },
  smallMammal: {
    width: 155,
    fills: [
      'M2 25 C6 14 16 6 27 8 L30 2 L36 9 C42 13 45 20 47 28 C62 34 84 30 108 34 C132 38 150 50 155 66 C157 78 152 86 148 92 L150 99 L136 99 L136 88 C130 82 124 80 118 78 C106 82 86 82 70 78 L68 92 L72 99 L58 99 L54 78 C46 72 38 62 34 50 C28 44 20 40 12 36 C6 34 1 30 2 25 Z',
      'M34 76 L44 74 L40 93 L44 99 L32 99 Z',
    ],
    lines: [],
    gaps: ['M19 17 a2.2 2.2 0 1 0 0.1 0 Z'],
  },
  deer: {
    width: 95,
    fills: [
      'M4 29 C8 24 13 21 17 20 L12 9 L21 16 L26 9 L28 19 C33 25 34 33 36 40 C50 44 68 42 82 44 C90 46 94 52 93 60 C92 68 88 72 87 78 L86 99 L80 99 L79 78 C78 74 76 71 74 69 C62 72 52 71 44 69 L42 99 L36 99 L35 68 C29 62 26 54 25 46 C24 41 21 38 18 36 C13 36 8 36 5 34 C3 32 3 31 4 29 Z',
      'M46 70 L52 71 L50 99 L45 99 Z',
      'M70 70 L76 72 L74 99 L69 99 Z',
    ],
    lines: [{ d: 'M19 18 C17 12 17 6 19 0 M18 9 L14 4 M24 17 C25 11 27 6 31 2 M26 10 L23 4', width: 1.6 }],
    gaps: [],
  },
  butterfly: {
    width: 140,
    fills: [
      'M66 36 C54 12 26 0 4 4 C-3 10 2 32 14 44 C22 52 36 54 46 53 C34 56 26 66 29 80 C32 94 46 100 56 92 C63 85 66 70 67 58 Z',
      'M74 36 C86 12 114 0 136 4 C143 10 138 32 126 44 C118 52 104 54 94 53 C106 56 114 66 111 80 C108 94 94 100 84 92 C77 85 74 70 73 58 Z',
      'M68 26 C70 22 72 26 72 30 L73 62 C73 72 71 78 70 80 C69 78 67 72 67 62 Z',
    ],
    lines: [{ d: 'M69 26 C66 16 62 10 57 6 M71 26 C74 16 78 10 83 6', width: 1.2 }],
    gaps: [
      'M26 24 a5 5 0 1 0 0.1 0 Z',
      'M114 24 a5 5 0 1 0 0.1 0 Z',
      'M45 74 a4 4 0 1 0 0.1 0 Z',
      'M95 74 a4 4 0 1 0 0.1 0 Z',
    ],
  },
  beetle: {
    width: 62,
    fills: [
      'M24 10 C26 3 36 3 38 10 C41 13 41 18 39 20 L42 22 C45 26 44 32 42 35 C52 40 54 56 51 72 C48 88 38 98 31 100 C24 98 14 88 11 72 C8 56 10 40 20 35 C18 32 17 26 20 22 L23 20 C21 18 21 13 24 10 Z',
    ],
    lines: [
      {
        d: 'M21 26 L10 20 L4 8 M14 46 L4 44 L0 56 M14 66 L5 74 L2 90 M41 26 L52 20 L58 8 M48 46 L58 44 L62 56 M48 66 L57 74 L60 90',
        width: 2,
      },
      { d: 'M27 6 C24 1 18 1 14 3 M35 6 C38 1 44 1 48 3', width: 1.3 },
    ],
    gaps: [
      'M30.6 37 L31.4 37 L31.2 96 L30.8 96 Z',
      'M20 56 a2.4 2.4 0 1 0 0.1 0 Z',
      'M42 56 a2.4 2.4 0 1 0 0.1 0 Z',
      'M22 74 a2.4 2.4 0 1 0 0.1 0 Z',
      'M40 74 a2.4 2.4 0 1 0 0.1 0 Z',
    ],
  },
  flower: {
    width: 100,
    fills: [
      'M50 50 C36 34 36 8 50 0 C64 8 64 34 50 50 Z',
      'M50 50 C61 32 86 23 98 35 C94 50 71 58 50 50 Z',
      'M50 50 C70 55 86 76 79 90 C63 92 48 72 50 50 Z',
      'M50 50 C52 72 37 92 21 90 C14 76 30 55 50 50 Z',
      'M50 50 C29 58 6 50 2 35 C14 23 39 32 50 50 Z',
    ],
    lines: [],
    gaps: ['M50 42 a8 8 0 1 0 0.1 0 Z'],
  },
};
