import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/contract/schemas/body';
import { photoProposal, type PhotoProposal, type SizeWay } from '@/core/formats/photoProposal';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { FORMATS } from '@/core/sensor/formats';
import { pitchUm } from '@/core/sensor/pitch';
import { pickFile } from '@/ui/files';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useGo } from '../useGo';
import { DropZone } from '@/ui/DropZone';

const WAY_WORDS: Record<SizeWay['from'], string> = {
  focalPlane: 'By its pixels per length on the sensor',
  equivalent: 'By the 35-mm equivalent',
};

/** A body, and the lens, from one picture of the camera: what EXIF says, where from, and where it contradicts itself. */
export function FromPhoto() {
  const [proposal, setProposal] = useState<PhotoProposal | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const take = async (file: File | null) => {
    if (!file) return;
    setReading(true);
    setMessage(null);
    setProposal(null);
    const part = await partOrNull(() => import('@/core/formats/readPhoto'));
    const read = await part?.readPhoto(file);
    setReading(false);
    if (!read) return setMessage(MISSING_PART);
    if (!read.ok) return setMessage(read.message);
    const found = photoProposal(read.tags);
    if (!found) return setMessage('This picture tells nothing of the camera. Choose one as it left the camera.');
    setProposal(found);
  };
  return (
    <View style={{ gap: space.page }}>
      <DropZone label="A picture, dropped here" onFile={(file) => void take(file)}>
        <Key
          title="Choose a picture"
          icon="photo-camera"
          onPress={() =>
            void pickFile('image/jpeg,image/heic,image/heif,image/tiff,.jpg,.jpeg,.heic,.heif,.tif,.tiff').then(take)
          }
        />
        <Txt kind="small" tone="soft">
          … or drop a JPEG, HEIC or TIFF here, as it left the camera. It stays on this device: only what it says of
          camera and lens is read.
        </Txt>
      </DropZone>
      {reading ? <Txt role="status">Reading …</Txt> : null}
      {message ? (
        <Txt tone="needle" role="alert">
          {message}
        </Txt>
      ) : null}
      {proposal ? <Proposal key={`${proposal.model}${proposal.columns}`} proposal={proposal} /> : null}
    </View>
  );
}

function Proposal({ proposal }: { proposal: PhotoProposal }) {
  const styles = useStyles();
  const go = useGo();
  const show = useNotice((state) => state.show);
  const [widthMm, setWidthMm] = useState<number | null>(proposal.sensor?.widthMm ?? null);
  const [heightMm, setHeightMm] = useState<number | null>(proposal.sensor?.heightMm ?? null);
  const [made, setMade] = useState(false);
  const { columns, rows } = proposal;
  const set = (width: number, height: number) => {
    setWidthMm(Number(width.toFixed(2)));
    setHeightMm(Number(height.toFixed(2)));
  };
  const ready = widthMm !== null && heightMm !== null && columns !== null && rows !== null;
  const makeBody = () => {
    if (!ready) return;
    const body: Body = {
      name: [proposal.maker, proposal.model]
        .filter((word) => word !== '')
        .join(' ')
        .slice(0, 120),
      ...(proposal.maker ? { maker: proposal.maker.slice(0, 60) } : {}),
      sensor: { widthMm, heightMm, columns, rows },
      antiAliasFilter: 'none',
      cropModes: [],
      note: `Sensor size from a picture: ${proposal.ways.find((way) => way.from === proposal.from)?.words ?? 'entered by hand'}.`,
    };
    const id = createRow('bodies', body);
    setMade(true);
    show({ text: `${body.name} is in the kit.`, action: { title: 'Look at it', run: () => go(`/kit/bodies/${id}`) } });
  };
  const makeLens = () => {
    if (!proposal.lens) return;
    const { name, focalWideMm, focalTeleMm, fNumberWide, fNumberTele, setFNumber, missing } = proposal.lens;
    const widest = fNumberWide ?? setFNumber ?? 5.6;
    const id = createRow('optics', {
      kind: 'lens',
      name: name.slice(0, 120),
      focalWideMm,
      focalTeleMm,
      fNumberWide: widest,
      fNumberTele: fNumberTele ?? widest,
      detailClass: 'good',
      autofocus: true,
      note: `From a picture, which does not tell ${missing.join('; ')}.`,
    });
    show({
      text: `${name} is in the kit. Not told by the picture: ${missing.join('; ')}.`,
      action: { title: 'Complete it', run: () => go(`/kit/optics/${id}`) },
    });
  };
  return (
    <View style={{ gap: space.large }} role="status" aria-label="What the picture says">
      <View>
        <Txt kind="title">{[proposal.maker, proposal.model].filter((word) => word !== '').join(' ')}</Txt>
        <Txt tone="soft">
          {columns !== null && rows !== null
            ? `${formatFixed(columns)} × ${formatFixed(rows)} pixels, ${formatFigures(proposal.megapixels ?? 0)} MP`
            : 'pixels not told'}
        </Txt>
      </View>
      {proposal.ways.map((way) => (
        <View key={way.from} style={styles.way}>
          <View style={styles.wayWords}>
            <Txt kind="strong">
              {way.from === proposal.from ? '● ' : '○ '}
              {WAY_WORDS[way.from]}
            </Txt>
            <Txt kind="small" tone="soft">
              {way.words}
            </Txt>
          </View>
          <Txt kind="figure">
            {formatFigures(way.widthMm)} × {formatFigures(way.heightMm)} mm
          </Txt>
          <Txt kind="fine" tone="soft">
            ± {formatFigures(way.plusMinusMm, 1)}
          </Txt>
          {way.from === proposal.from ? null : (
            <Key title="Take this one" onPress={() => set(way.widthMm, way.heightMm)} />
          )}
        </View>
      ))}
      {proposal.disagreementPercent !== undefined ? (
        <Txt kind="small" tone={proposal.disagreementPercent > 6 ? 'caution' : 'soft'}>
          The two ways are {formatFigures(proposal.disagreementPercent, 2)} % apart.
        </Txt>
      ) : null}
      {proposal.format ? (
        <Txt kind="small">
          Like the plain format {proposal.format.name} ({proposal.format.gloss}).
        </Txt>
      ) : null}
      {proposal.doubts.map((doubt) => (
        <Txt key={doubt.code} kind="small" tone="caution" role="alert">
          ⚠ {doubt.message}
        </Txt>
      ))}
      {proposal.sensor === null && columns !== null && rows !== null ? (
        <Choice
          label="Its format"
          options={FORMATS.map((format) => ({ value: format.id, name: format.name, gloss: format.gloss }))}
          value={null}
          onChange={(id) => {
            const format = FORMATS.find((each) => each.id === id);
            if (format) set(format.widthMm, (format.widthMm * rows) / columns);
          }}
        />
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.large }}>
        <View style={styles.half}>
          <NumberField
            label="Sensor width"
            value={widthMm}
            unit="mm"
            shownUnit="mm"
            minimum={0.5}
            maximum={200}
            onChange={setWidthMm}
          />
        </View>
        <View style={styles.half}>
          <NumberField
            label="Sensor height"
            value={heightMm}
            unit="mm"
            shownUnit="mm"
            minimum={0.5}
            maximum={200}
            onChange={setHeightMm}
          />
        </View>
      </View>
      {proposal.lens ? (
        <Txt kind="small" testID="photo-lens">
          {`Lens: ${proposal.lens.name}, ${proposal.lens.focalTeleMm > proposal.lens.focalWideMm ? `${formatFigures(proposal.lens.focalWideMm, 4)} to ${formatFigures(proposal.lens.focalTeleMm, 4)}` : formatFigures(proposal.lens.focalWideMm, 4)}\u202fmm${proposal.lens.fNumberWide === null ? '' : `, ${showFNumber(proposal.lens.fNumberWide)}${proposal.lens.fNumberTele !== null && proposal.lens.fNumberTele !== proposal.lens.fNumberWide ? ` to ${showFNumber(proposal.lens.fNumberTele)}` : ''}`}. Not told: ${proposal.lens.missing.join('; ')}.`}
        </Txt>
      ) : null}
      {ready ? (
        <Txt kind="small">That makes a pixel pitch of {formatFigures(pitchUm(widthMm, columns))} µm.</Txt>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        <Key
          title={made ? 'Put in the kit' : 'Put the body in the kit'}
          weight="strong"
          icon="check"
          disabled={!ready || made}
          why={
            made
              ? 'It is in the kit already.'
              : columns === null || rows === null
                ? 'This picture does not tell its pixels: choose one as it left the camera.'
                : 'Width and height of the sensor are needed.'
          }
          onPress={makeBody}
        />
        {proposal.lens ? <Key title={`… and ${proposal.lens.name}`} icon="add" onPress={makeLens} /> : null}
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  way: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: space.medium,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  half: { flexGrow: 1, flexBasis: 140 },
  wayWords: { flexGrow: 1, flexBasis: 220 },
}));
