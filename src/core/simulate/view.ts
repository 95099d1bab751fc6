/**
 * How a flat scene lies before the camera. All of it as it is at the picture's middle, where the optical axis meets the scene.
 */
export interface View {
  /** px a millimetre of a scene square to the axis. */
  pxPerMm: number;
  /** The scene's own x axis on the picture, degrees from +x towards +y. */
  turnDeg: number;
  /** The scene's x axis leans away by so much, and its y axis: both in depth. */
  tiltAlongDeg: number;
  tiltAcrossDeg: number;
  /** What of the scene lies at the picture's middle, mm. */
  middleMm: [number, number];
  /** Distance of the picture behind the lens, in px: how strong perspective is. */
  focalPx: number;
  /** Change of size at half the picture's longer side, as a share; negative draws barrels. */
  distortion: number;
}

/** Where of the scene, mm, a place of the picture, px, looks. */
export function lookingAt(view: View, width: number, height: number): (x: number, y: number) => [number, number] {
  const rad = Math.PI / 180;
  const [cosTurn, sinTurn] = [Math.cos(view.turnDeg * rad), Math.sin(view.turnDeg * rad)];
  const [cosAlong, sinAlong] = [Math.cos(view.tiltAlongDeg * rad), Math.sin(view.tiltAlongDeg * rad)];
  const [cosAcross, sinAcross] = [Math.cos(view.tiltAcrossDeg * rad), Math.sin(view.tiltAcrossDeg * rad)];
  const distance = view.focalPx / view.pxPerMm;
  const half = Math.max(width, height) / 2;
  // The scene's axes in space: x leans by the first tilt, y by both.
  const xAxis = [cosAlong, 0, sinAlong] as const;
  const yAxis = [-sinAlong * sinAcross, cosAcross, cosAlong * sinAcross] as const;
  return (x, y) => {
    let dx = (x - (width - 1) / 2) / half;
    let dy = (y - (height - 1) / 2) / half;
    if (view.distortion !== 0) {
      // Drawn radius = true radius · (1 + distortion · true radius²): turned round by repeating.
      const [px, py] = [dx, dy];
      for (let i = 0; i < 4; i++) {
        const grown = 1 + view.distortion * (dx * dx + dy * dy);
        dx = px / grown;
        dy = py / grown;
      }
    }
    const u = ((dx * cosTurn + dy * sinTurn) * half) / view.focalPx;
    const v = ((-dx * sinTurn + dy * cosTurn) * half) / view.focalPx;
    // distance·(u, v, 1)·k = X·xAxis + Y·yAxis + (0, 0, distance), solved for X and Y.
    const a = xAxis[0] - u * xAxis[2];
    const b = yAxis[0] - u * yAxis[2];
    const c = xAxis[1] - v * xAxis[2];
    const d = yAxis[1] - v * yAxis[2];
    const det = a * d - b * c;
    return [
      view.middleMm[0] + (distance * (u * d - v * b)) / det,
      view.middleMm[1] + (distance * (v * a - u * c)) / det,
    ];
  };
}
