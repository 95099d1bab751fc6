/** The pixels and millimetres a mode really uses. Columns and rows are whole pixels. */
export interface UsedArea {
  columns: number;
  rows: number;
  widthMm: number;
  heightMm: number;
}

/** A sensor as its data sheet gives it: millimetres and pixels of the recorded picture. */
export interface SensorSpec {
  widthMm: number;
  heightMm: number;
  columns: number;
  rows: number;
}

/** How a crop mode is described: by its exact pixels (which win), or by a factor within an aspect of its own. */
export interface CropRule {
  factor?: number | undefined;
  aspect?: number | undefined;
  pixels?: { columns: number; rows: number } | undefined;
}

/**
 * Pixels of a crop mode before rounding: the largest rectangle of the mode's aspect that lies in the sensor, divided by
 * the factor. Without an aspect of its own, the sensor's. Megapixels therefore fall with the factor **squared**.
 *
 * @example cropPixels({ columns: 8256, rows: 5504 }, { factor: 1.5 }) // { columns: 5504, rows: 3669.33 }
 */
export function cropPixels(
  sensor: { columns: number; rows: number },
  rule: CropRule,
): { columns: number; rows: number } {
  if (rule.pixels) return { columns: rule.pixels.columns, rows: rule.pixels.rows };
  const factor = rule.factor ?? 1;
  const sensorAspect = sensor.columns / sensor.rows;
  const aspect = rule.aspect ?? sensorAspect;
  const columns = aspect >= sensorAspect ? sensor.columns : sensor.rows * aspect;
  const rows = aspect >= sensorAspect ? sensor.columns / aspect : sensor.rows;
  return { columns: columns / factor, rows: rows / factor };
}

/**
 * The part of the sensor a mode uses, in whole pixels and in mm. A mode given in exact pixels larger than the sensor is
 * held to the sensor.
 */
export function usedArea(sensor: SensorSpec, rule: CropRule): UsedArea {
  const exact = cropPixels(sensor, rule);
  const columns = Math.max(1, Math.min(sensor.columns, Math.round(exact.columns)));
  const rows = Math.max(1, Math.min(sensor.rows, Math.round(exact.rows)));
  return {
    columns,
    rows,
    widthMm: (sensor.widthMm * columns) / sensor.columns,
    heightMm: (sensor.heightMm * rows) / sensor.rows,
  };
}
