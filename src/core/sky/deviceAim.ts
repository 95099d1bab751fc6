const RAD = Math.PI / 180;

/** How a device lies, as browsers tell it (W3C, DeviceOrientation): turned about z, then its own x, then its own y, degrees. */
export interface DeviceTurn {
  alphaDeg: number;
  betaDeg: number;
  gammaDeg: number;
}

/** Where something points: azimuth from north through east, 0 to 360, and altitude, degrees. */
export interface Aim {
  azimuthDeg: number;
  altitudeDeg: number;
}

const around = (deg: number): number => ((deg % 360) + 360) % 360;

/**
 * Where the back of a device points, as its camera looks: the device's −z axis on the ground's axes (x east, y north, z up),
 * which is the third column of Rz(α)·Rx(β)·Ry(γ), turned round.
 *
 * @returns the azimuth against the north that α counts from; straight up or down it is 0
 * @example aimOf({ alphaDeg: 0, betaDeg: 90, gammaDeg: 0 }) // held upright: azimuth 0, altitude 0
 */
export function aimOf({ alphaDeg, betaDeg, gammaDeg }: DeviceTurn): Aim {
  const [sinA, cosA] = [Math.sin(alphaDeg * RAD), Math.cos(alphaDeg * RAD)];
  const [sinB, cosB] = [Math.sin(betaDeg * RAD), Math.cos(betaDeg * RAD)];
  const [sinG, cosG] = [Math.sin(gammaDeg * RAD), Math.cos(gammaDeg * RAD)];
  const east = -(cosA * sinG + sinA * sinB * cosG);
  const north = -(sinA * sinG - cosA * sinB * cosG);
  const up = -cosB * cosG;
  const level = Math.hypot(east, north);
  return {
    azimuthDeg: level < 1e-9 ? 0 : around(Math.atan2(east, north) / RAD),
    altitudeDeg: Math.atan2(up, level) / RAD,
  };
}

/** Middle and spread of several aims taken one after the other; directions are averaged as directions. */
export function steadyAim(aims: readonly Aim[]): (Aim & { spreadDeg: number }) | null {
  if (aims.length === 0) return null;
  const mean = (of: (aim: Aim) => number) => aims.reduce((sum, aim) => sum + of(aim), 0) / aims.length;
  const [east, north] = [mean((aim) => Math.sin(aim.azimuthDeg * RAD)), mean((aim) => Math.cos(aim.azimuthDeg * RAD))];
  const middle = { azimuthDeg: around(Math.atan2(east, north) / RAD), altitudeDeg: mean((aim) => aim.altitudeDeg) };
  const off = (aim: Aim) =>
    Math.max(
      Math.abs(around(aim.azimuthDeg - middle.azimuthDeg + 180) - 180),
      Math.abs(aim.altitudeDeg - middle.altitudeDeg),
    );
  return { ...middle, spreadDeg: Math.max(...aims.map(off)) };
}
