import { useState } from 'react';
import { COC_NAMES } from '@/core/output/circleOfConfusion';
import { viewedPixels } from '@/core/output/viewedPixels';
import { compareSensors, type SensorStance } from '@/core/near/compareSensors';
import { formatFigures, formatRatio, formatStops } from '@/core/quantity/format';
import { showFNumber, showQuantity, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NearPage, type NearPageParts } from './NearPage';

const STANCES = [
  { value: 'sameRatio', name: 'Same ratio', gloss: 'same optics' },
  { value: 'sameField', name: 'Same field', gloss: 'same piece seen' },
  { value: 'sameDepth', name: 'Same picture', gloss: '… and same depth' },
] as const;

const SENTENCES: Record<SensorStance, string> = {
  sameRatio:
    'At the same ratio and f-number a smaller sensor changes neither the depth nor the size drawn: it frames tighter, and its pixels decide the detail.',
  sameField:
    'For the same field a smaller sensor needs less ratio and is deeper at the same f-number: by what opening up could be traded back.',
  sameDepth:
    'Opened by the ratio of the sensors the small one gives the same picture: field, depth and diffraction agree, and so does the light from the subject. Nothing is gained or lost but weight and price.',
};

/** The same subject on the kit's sensors, with one thing held equal at a time. */
export default function SensorsPage() {
  return <NearPage title="Sensors compared">{(parts) => <Sensors {...parts} />}</NearPage>;
}

function Sensors({ situation, system, reading, kit }: NearPageParts) {
  const units = usePreferences((state) => state.units);
  const cocSchool = usePreferences((state) => state.cocSchool);
  const [stance, setStance] = useState<SensorStance>('sameRatio');
  if (!reading) return null;
  const others = kit.bodies
    .filter((row) => row.id !== situation.setupRow.data.bodyId && !row.data.retired)
    .map((row) => row.data);
  const pictures = compareSensors({
    bodies: [system.body, ...others],
    ratio: reading.ratio.value,
    fNumber: reading.setFNumber.value,
    workingFNumber: reading.workingFNumber.value,
    subjectMm: situation.subject.sizeMm,
    stance,
    cocSchool,
    viewedPx: viewedPixels(situation.output),
    used: system.used,
  });
  // As sure of the size of the subject, and so written to as many figures, as on the desk.
  const { value: ownPx, plusMinus } = reading.pixelsOnSubject;
  const pixelsText = (px: number) =>
    showQuantity(
      { unit: 'px', value: px, ...(plusMinus === undefined ? {} : { plusMinus: (plusMinus / ownPx) * px }) },
      units,
    ).number;
  const length = (mm: number) => shownText(showSubjectMm(mm, units, 3));
  return (
    <>
      <Choice label="Held equal" options={STANCES} value={stance} onChange={setStance} />
      <Txt kind="strong" role="status">
        {SENTENCES[stance]}
      </Txt>
      <Table
        label="The picture on each sensor"
        heads={['Body', 'Ratio', 'f-number', 'Field', 'Depth']}
        rows={pictures.map((each, i) => ({
          key: each.body.name,
          strong: i === 0,
          cells: [
            each.body.name,
            formatRatio(each.ratio),
            showFNumber(each.fNumber),
            length(each.fieldWidthMm),
            length(each.depthMm),
          ],
        }))}
      />
      <Table
        label="Pixels and light on each sensor"
        heads={['Body', 'Pixels on it', 'µm a pixel', 'Framed', 'Light']}
        rows={pictures.map((each, i) => ({
          key: each.body.name,
          strong: i === 0,
          cells: [
            each.body.name,
            pixelsText(each.pixels),
            formatFigures(each.subjectPixelUm, 2),
            `${formatFigures(each.framed, 2)}\u202f×`,
            i === 0 ? '' : formatStops(each.stops),
          ],
        }))}
      />
      <Txt kind="small" tone="soft">
        {`The first as on its desk, the others whole, with optics that can be set as asked. Depth by ${COC_NAMES[cocSchool]}${cocSchool === 'pixel' ? ' of each sensor' : stance === 'sameRatio' ? ' of the first: the pictures are looked at enlarged alike' : ' of each: the whole frames are looked at'}.`}
      </Txt>
    </>
  );
}
