import type { Plate } from './exercise';
import type { FarSpot } from './farSpot';

/** The frame with the subject in it, to scale. */
export const framePlate = ({ system, reading, subject, name }: FarSpot): Plate => ({
  kind: 'frame',
  label: `The frame of ${name}`,
  subject: subject.kind,
  widthMm: system.used.widthMm,
  heightMm: system.used.heightMm,
  onSensorMm: reading.ratio.value * subject.sizeMm,
});
