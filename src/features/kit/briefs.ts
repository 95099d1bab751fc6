import type { Body } from '@/contract/schemas/body';
import type { Output } from '@/contract/schemas/output';
import type { Setup } from '@/contract/schemas/setup';
import type { Subject } from '@/contract/schemas/subject';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { UnitSystem } from '@/core/quantity/units';
import { megapixels } from '@/core/sensor/diagonal';
import { pitchUm } from '@/core/sensor/pitch';
import type { Kit } from '@/data/situation';
import { showLengthM, shownText } from '@/core/quantity/quantityText';

/** One line about each thing, for lists and for the slate. */
export const bodyBrief = ({ sensor }: Body): string =>
  `${formatFigures(sensor.widthMm)} × ${formatFigures(sensor.heightMm)} mm · ${formatFixed(megapixels(sensor.columns, sensor.rows))} MP · ${formatFigures(pitchUm(sensor.widthMm, sensor.columns))} µm`;

export function setupBrief(setup: Setup, kit: Kit): string {
  const body = kit.bodies.find((row) => row.id === setup.bodyId)?.data.name ?? 'body gone';
  const parts = setup.chain.map((link) => {
    const row =
      link.type === 'optic'
        ? kit.optics.find((each) => each.id === link.id)
        : kit.adapters.find((each) => each.id === link.id);
    return row?.data.name ?? 'part gone';
  });
  return [body, ...parts].join(' + ');
}

export const subjectBrief = (subject: Subject, units: UnitSystem): string =>
  `${SUBJECT_KINDS[subject.kind].name} · ${shownText(showLengthM(subject.sizeMm / 1000, units))} · at ${shownText(showLengthM(subject.distanceM, units))}`;

export function outputBrief(output: Output): string {
  switch (output.kind) {
    case 'screen':
      return `${formatFixed(output.longSidePx)} px on the long side, subject ${formatFixed(output.subjectShare * 100)} % of it`;
    case 'print':
      return `${formatFigures(output.longSideMm / 10)} cm long, subject ${formatFixed(output.subjectShare * 100)} % of it`;
    case 'identification':
      return `${formatFigures(output.smallestDetailMm)} mm must be told apart`;
  }
}
