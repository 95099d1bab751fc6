import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { readStars, type RuleReading } from '@/core/sky/readStars';
import { zoomedName } from '@/core/kit/zoomedName';
import { foldSystem } from '@/core/optics/foldSystem';
import { formatFigures } from '@/core/quantity/format';
import { useSky } from '@/data/inHand';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { SkyPage } from '../SkyPage';
import { starWays, useLensRecord } from '../skyWays';
import { runText, secondsText } from '../starWords';
import type { SkyDesk } from '../useSkyDesk';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** The schools of exposure side by side: their seconds, and the run each really gives. */
export default function SchoolsPage() {
  return <SkyPage title="Schools side by side">{(desk) => <Schools desk={desk} />}</SkyPage>;
}

function Schools({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const sky = useSky();
  const { situation, system } = desk;
  const record = useLensRecord(situation, system.markedFocalMm);
  const ways = useMemo(() => starWays(sky, record), [sky, record]);
  const reading = useMemo(
    () => readStars({ system, output: situation.output, ...ways }),
    [system, situation.output, ways],
  );
  const centrePx = reading.centreTolerancePx.value;
  const cornerPx = reading.cornerTolerancePx.value;
  const others = useMemo(
    () =>
      [
        { name: zoomedName(situation.setupRow.data.name, situation.setup), setup: situation.setup },
        ...situation.kit.setups,
      ].flatMap(({ name, setup }) => {
        const folded = foldSystem(setup, situation.convention);
        if (!folded.ok || folded.value.optics.state.far.ratio > 0) return [];
        const found = readStars({ system: folded.value, output: situation.output, ...ways });
        return [
          {
            key: name,
            cells: [
              name,
              secondsText(found.limitS.value),
              secondsText(found.centreS.value),
              `${formatFigures(found.pixelScaleArcsec.value, 2)}″`,
            ],
            strong: name === situation.setupRow.data.name,
          },
        ];
      }),
    [situation, ways],
  );
  return (
    <>
      <Txt>
        {`${system.lens.name} at ${formatFigures(system.focalMm.value, 3)}\u202fmm on ${system.body.name}; a star may run ${formatFigures(centrePx, 2)}\u202fpx${cornerPx === centrePx ? '' : `, in the corners ${formatFigures(cornerPx, 2)}\u202fpx`}. Tap the school you follow: the desk goes by it from then on.`}
      </Txt>
      <View role="radiogroup" aria-label="School">
        {reading.rules.map((rule) => (
          <School
            key={rule.rule}
            rule={rule}
            centrePx={centrePx}
            cornerPx={cornerPx}
            onPress={() => sky.set({ rule: rule.rule, exposureS: null })}
          />
        ))}
      </View>
      <Txt kind="small" tone="soft">
        Rules of thumb know neither where the camera points nor the corners; near the pole of the sky they are too
        strict, at the equator with small pixels too long. Those who follow them say: good enough for the size they
        show, and quickly reckoned in the dark. Both are right for their pictures.
      </Txt>
      <Txt kind="title" level={2}>
        The other set-ups by the same school
      </Txt>
      <Table label="Other set-ups" heads={['Set-up', 'Longest', 'Centre', 'A pixel']} rows={others} />
      <View style={styles.end} />
    </>
  );
}

function School({
  rule,
  centrePx,
  cornerPx,
  onPress,
}: {
  rule: RuleReading;
  centrePx: number;
  cornerPx: number;
  onPress: () => void;
}) {
  const styles = useStyles();
  const passes = (px: number, most: number) => px <= most * (1 + 1e-6);
  const centre = passes(rule.centrePx, centrePx);
  const corner = passes(rule.worstPx, cornerPx);
  const mark = (ok: boolean) => (ok ? '●' : '▽');
  return (
    <Pressable
      role="radio"
      aria-checked={rule.chosen}
      onPress={onPress}
      style={[styles.school, rule.chosen && styles.chosen]}
      testID={`school-${rule.rule}`}
      aria-label={`${rule.name}: ${secondsText(rule.seconds)}; centre ${runText(rule.centrePx)}, ${centre ? 'passes' : 'runs'}; corner ${runText(rule.worstPx)}, ${corner ? 'passes' : 'runs'}`}
    >
      <View style={styles.words}>
        <Txt kind="strong">{rule.name}</Txt>
        <Txt kind="fine" tone="soft">
          {rule.formula} · {rule.gloss}
        </Txt>
      </View>
      <View style={styles.figures}>
        <Txt kind="figure">{secondsText(rule.seconds)}</Txt>
        <Txt kind="fine" tone={centre ? 'press' : 'needle'}>
          {mark(centre)} {runText(rule.centrePx)} centre
        </Txt>
        <Txt kind="fine" tone={corner ? 'press' : 'needle'}>
          {mark(corner)} {runText(rule.worstPx)} corner
        </Txt>
      </View>
    </Pressable>
  );
}

const useStyles = stylesOf((palette) => ({
  school: {
    flexDirection: 'row',
    gap: space.page,
    minHeight: TARGET,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
    alignItems: 'center',
  },
  chosen: {
    backgroundColor: palette.raised,
    borderLeftWidth: 3,
    borderLeftColor: palette.needle,
    paddingLeft: space.medium,
  },
  words: { flex: 1 },
  figures: { width: 128, alignItems: 'flex-end' },
  end: { height: space.page },
}));
