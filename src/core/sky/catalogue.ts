/** What an object of the deep sky is. */
export type DeepKind = 'galaxy' | 'nebula' | 'planetary' | 'remnant' | 'open' | 'globular';

export const DEEP_KIND_NAMES: Record<DeepKind, string> = {
  galaxy: 'galaxy',
  nebula: 'nebula',
  planetary: 'planetary nebula',
  remnant: 'supernova remnant',
  open: 'open cluster',
  globular: 'globular cluster',
};

/** An object: equatorial coordinates J2000 in hours and degrees, length and width in arcminutes, position angle of its length. */
export interface DeepObject {
  id: string;
  name: string;
  kind: DeepKind;
  raHours: number;
  declinationDeg: number;
  lengthArcmin: number;
  widthArcmin: number;
  positionAngleDeg?: number;
}

const object = (
  id: string,
  kind: DeepKind,
  raHours: number,
  raMinutes: number,
  decDeg: number,
  decMinutes: number,
  lengthArcmin: number,
  widthArcmin = lengthArcmin,
  positionAngleDeg?: number,
  name = id,
): DeepObject => ({
  id,
  name,
  kind,
  raHours: raHours + raMinutes / 60,
  declinationDeg: Math.sign(decDeg || 1) * (Math.abs(decDeg) + decMinutes / 60),
  lengthArcmin,
  widthArcmin,
  ...(positionAngleDeg === undefined ? {} : { positionAngleDeg }),
});

/**
 * Our own selection of bright objects, by catalogue number.
 *
 * @source published catalogue facts (Messier, NGC, IC), coordinates J2000 rounded to a tenth of a minute of time and an
 *   arcminute; sizes as usually given for deep pictures, good to some ten per cent
 */
export const DEEP_OBJECTS: readonly DeepObject[] = [
  object('M 31', 'galaxy', 0, 42.7, 41, 16, 178, 63, 35),
  object('M 33', 'galaxy', 1, 33.9, 30, 39, 70, 42, 23),
  object('M 42', 'nebula', 5, 35.3, -5, 23, 65, 60),
  object('M 45', 'open', 3, 47, 24, 7, 110),
  object('M 44', 'open', 8, 40.4, 19, 40, 95),
  object('M 13', 'globular', 16, 41.7, 36, 28, 20),
  object('M 5', 'globular', 15, 18.6, 2, 5, 23),
  object('M 3', 'globular', 13, 42.2, 28, 23, 18),
  object('M 22', 'globular', 18, 36.4, -23, 54, 32),
  object('M 8', 'nebula', 18, 3.8, -24, 23, 90, 40, 90),
  object('M 20', 'nebula', 18, 2.3, -23, 2, 28),
  object('M 16', 'nebula', 18, 18.8, -13, 47, 35, 28),
  object('M 17', 'nebula', 18, 20.8, -16, 11, 46, 37),
  object('M 27', 'planetary', 19, 59.6, 22, 43, 8, 5.7),
  object('M 57', 'planetary', 18, 53.6, 33, 2, 1.4, 1),
  object('M 51', 'galaxy', 13, 29.9, 47, 12, 11, 7, 163),
  object('M 81', 'galaxy', 9, 55.6, 69, 4, 27, 14, 157),
  object('M 82', 'galaxy', 9, 55.8, 69, 41, 11, 4.3, 65),
  object('M 101', 'galaxy', 14, 3.2, 54, 21, 29, 27),
  object('M 104', 'galaxy', 12, 40, -11, 37, 8.7, 3.5, 90),
  object('M 106', 'galaxy', 12, 19, 47, 18, 19, 7, 150),
  object('M 63', 'galaxy', 13, 15.8, 42, 2, 12.6, 7.2, 105),
  object('M 64', 'galaxy', 12, 56.7, 21, 41, 10, 5.4, 115),
  object('M 65', 'galaxy', 11, 18.9, 13, 5, 9.8, 2.9, 174),
  object('M 66', 'galaxy', 11, 20.2, 12, 59, 9.1, 4.2, 173),
  object('M 1', 'remnant', 5, 34.5, 22, 1, 7, 5, 125),
  object('M 97', 'planetary', 11, 14.8, 55, 1, 3.4),
  object('M 78', 'nebula', 5, 46.7, 0, 3, 8, 6),
  object('M 35', 'open', 6, 8.9, 24, 20, 28),
  object('M 37', 'open', 5, 52.4, 32, 33, 24),
  object('M 11', 'open', 18, 51.1, -6, 16, 14),
  object('M 7', 'open', 17, 53.9, -34, 49, 80),
  object('M 6', 'open', 17, 40.1, -32, 13, 25),
  object('M 83', 'galaxy', 13, 37, -29, 52, 13, 11.5, 44),
  object('M 4', 'globular', 16, 23.6, -26, 32, 36),
  object('M 15', 'globular', 21, 30, 12, 10, 18),
  object('M 2', 'globular', 21, 33.5, 0, -49, 16),
  object('NGC 869', 'open', 2, 20.5, 57, 8, 60, 30, 90, 'NGC 869 and 884'),
  object('NGC 253', 'galaxy', 0, 47.6, -25, 17, 28, 7, 52),
  object('NGC 2237', 'nebula', 6, 32, 5, 3, 80, 60),
  object('NGC 7000', 'nebula', 20, 58.8, 44, 20, 120, 100),
  object('NGC 6992', 'remnant', 20, 56.4, 31, 43, 60, 8, 150),
  object('NGC 6960', 'remnant', 20, 45.7, 30, 43, 70, 6, 10),
  object('NGC 7293', 'planetary', 22, 29.6, -20, 50, 16, 12),
  object('NGC 2024', 'nebula', 5, 41.9, -1, 51, 30),
  object('NGC 891', 'galaxy', 2, 22.6, 42, 21, 13.5, 2.5, 22),
  object('NGC 4565', 'galaxy', 12, 36.3, 25, 59, 16, 2.8, 136),
  object('NGC 3372', 'nebula', 10, 45.1, -59, 52, 120),
  object('NGC 5139', 'globular', 13, 26.8, -47, 29, 36),
  object('NGC 104', 'globular', 0, 24.1, -72, 5, 31),
  object('NGC 2070', 'nebula', 5, 38.7, -69, 6, 40, 25),
  object('IC 1396', 'nebula', 21, 39.1, 57, 30, 170, 140),
  object('IC 1805', 'nebula', 2, 32.7, 61, 27, 100),
  object('IC 1848', 'nebula', 2, 51.2, 60, 26, 100, 50, 90),
  object('IC 434', 'nebula', 5, 41, -2, 27, 60, 10, 0),
  object('IC 405', 'nebula', 5, 16.2, 34, 16, 37, 19),
  object('IC 5070', 'nebula', 20, 50.8, 44, 21, 60, 50),
];
