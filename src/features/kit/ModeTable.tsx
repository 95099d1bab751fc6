import { useMemo } from 'react';
import { View, useWindowDimensions } from 'react-native';
import type { BodySpec } from '@/core/kit/body';
import { modeTable, type ModeRow } from '@/core/kit/modeTable';
import { FINDER_WORDS } from '@/core/kit/words';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { useTableSettings } from '@/data/tableSettings';
import type { Kit } from '@/data/situation';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

interface Props {
  body: BodySpec;
  outputs: Kit['outputs'];
  units: UnitSystem;
  onWhy: (quantity: Quantity) => void;
}

/** Every mode of a body with what it gives: pixels, files, card, speed, burst, print, and what the picture is enough for. */
export function ModeTable({ body, outputs, units, onWhy }: Props) {
  const { width } = useWindowDimensions();
  const { cardGb, pixelsPerInch, set } = useTableSettings();
  const rows = useMemo(
    () => modeTable({ body, cardGb, pixelsPerInch, outputs: outputs.map((row) => row.data) }),
    [body, cardGb, pixelsPerInch, outputs],
  );
  return (
    <View style={{ gap: space.large }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.large }}>
        <View style={half}>
          <NumberField
            label="Card"
            value={cardGb}
            unit="none"
            shownUnit="GB"
            minimum={0.1}
            maximum={100_000}
            onChange={(value) => value !== null && set({ cardGb: value })}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Print at"
            value={pixelsPerInch}
            unit="none"
            shownUnit="px/in"
            minimum={10}
            maximum={2400}
            onChange={(value) => value !== null && set({ pixelsPerInch: value })}
          />
        </View>
      </View>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide, rowGap: space.wide }}
        role="list"
        aria-label="Modes of this body"
      >
        {rows.map((row) => (
          <Mode key={row.mode.id} row={row} units={units} onWhy={onWhy} wide={width >= WIDE_FROM} />
        ))}
      </View>
      <Txt kind="small" tone="soft">
        The pixels on a subject are the same in every mode: a crop mode only shows less around it.
      </Txt>
    </View>
  );
}

function Mode({
  row,
  units,
  onWhy,
  wide,
}: {
  row: ModeRow;
  units: UnitSystem;
  onWhy: (quantity: Quantity) => void;
  wide: boolean;
}) {
  const styles = useStyles();
  const { mode, used } = row;
  const figure = (label: string, name: keyof ModeRow, beside?: string) => {
    const quantity = row[name] as Quantity | undefined;
    return quantity ? (
      <Figure
        label={label}
        quantity={quantity}
        units={units}
        name={name}
        onWhy={() => onWhy(quantity)}
        {...(beside ? { beside } : {})}
        testID={`${mode.id}-${name}`}
      />
    ) : null;
  };
  const accessory =
    mode.framesPerSecondWithAccessory === undefined
      ? undefined
      : `(${formatFigures(mode.framesPerSecondWithAccessory)} with accessory)`;
  const about = [
    `${formatFixed(used.columns)} × ${formatFixed(used.rows)} px`,
    `${formatFigures(used.widthMm)} × ${formatFigures(used.heightMm)} mm`,
    ...(mode.finder ? [FINDER_WORDS[mode.finder]] : []),
    ...(mode.switchedByLens ? ['a crop-format lens switches it on'] : []),
  ];
  return (
    <View style={wide ? styles.wideMode : styles.mode} role="listitem">
      <Txt kind="strong">{mode.name}</Txt>
      <Txt kind="small" tone="soft">
        {about.join(' · ')}
      </Txt>
      <FigureRow>
        {figure('Megapixels', 'megapixels')}
        {figure('File', 'fileSizeMb')}
        {figure('Pictures on the card', 'picturesOnCard')}
        {figure('Speed', 'framesPerSecond')}
        {figure('Burst', 'burstSeconds')}
        {figure('Burst, pictures', 'burstPictures')}
        {figure('Longest print', 'printLongMm')}
      </FigureRow>
      {accessory ? (
        <Txt kind="fine" tone="soft">
          {accessory}
        </Txt>
      ) : null}
      {row.endlessBurst ? (
        <Txt kind="fine" tone="soft">
          The card keeps up: the burst lasts until it is full.
        </Txt>
      ) : null}
      <View style={styles.verdicts}>
        {row.verdicts.map(({ output, verdict }) => (
          <Txt
            key={output.name}
            kind="small"
            tone={verdict === 'notEnough' ? 'needle' : verdict === null ? 'soft' : 'press'}
          >
            {verdict === null
              ? `· ${output.name}: decided by the pixels on the subject`
              : `${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](output.name)}`}
          </Txt>
        ))}
      </View>
    </View>
  );
}

const half = { flexGrow: 1, flexBasis: 140 } as const;

const useStyles = stylesOf((palette) => ({
  mode: { flexBasis: '100%', gap: space.small, borderTopWidth: 2, borderColor: palette.ink, paddingTop: space.small },
  wideMode: {
    flexBasis: 300,
    flexGrow: 1,
    gap: space.small,
    borderTopWidth: 2,
    borderColor: palette.ink,
    paddingTop: space.small,
  },
  verdicts: { gap: 2 },
}));
