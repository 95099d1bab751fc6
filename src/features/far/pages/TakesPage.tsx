import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { lensesThatDoIt } from '@/core/far/lensesThatDoIt';
import { focalLengthsFor, inHandNeeds, type Wish } from '@/core/far/whatItTakes';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import type { UnitSystem } from '@/core/quantity/units';
import type { Stored } from '@/contract/resources';
import type { Kit, Situation } from '@/data/situation';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { Figure } from '@/ui/Figure';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { waitingText } from '../../desk/DeskGate';
import { DeskPage } from '../../desk/DeskPage';
import { useWhy } from '../../desk/useWhy';
import { useFarDesk } from '../useFarDesk';

type Kind = 'output' | 'third' | 'half' | 'pixels';

/** The wish behind a choice: what the output needs, a share of the frame, or pixels of one's own. */
function wishOf(kind: Kind, pixels: number): Wish {
  if (kind === 'third') return { kind: 'share', percent: 100 / 3 };
  if (kind === 'half') return { kind: 'share', percent: 50 };
  return kind === 'pixels' ? { kind, pixels } : { kind };
}

/** What is solved for a wish: for the set-up in hand, for every lens on its body, for every body. */
function solvedFor(wish: Wish, situation: Situation, system: EffectiveSystem, kit: Kit) {
  const wanted = { ...situation, wish };
  const kept = <T extends { retired?: boolean | undefined }>(rows: readonly Stored<T>[]) =>
    rows.filter(({ data }) => !data.retired);
  return {
    own: inHandNeeds(wanted, system),
    bodies: focalLengthsFor(
      wanted,
      system,
      kept(kit.bodies).map((row) => ({ id: row.id, body: row.data })),
    ),
    lenses: lensesThatDoIt(wanted, {
      body: system.body,
      modeId: situation.setup.modeId,
      lenses: kept(kit.optics).map((row) => ({ id: row.id, part: row.data })),
      mountAdapters: kept(kit.adapters).flatMap(({ data }) => (data.kind === 'mountAdapter' ? [data] : [])),
      convention: situation.convention,
    }),
  };
}

interface RowProps {
  name: string;
  quantity: Quantity | undefined;
  /** What is written below the number; or in its place when there is none. */
  note: string;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
  testID: string;
}

/** One body or lens, and what it would take. */
function Row({ name, quantity, note, units, ask, testID }: RowProps) {
  const styles = useStyles();
  return (
    <View role="listitem" style={styles.line}>
      <Txt style={styles.name}>{name}</Txt>
      {quantity ? (
        <Pressable
          role="button"
          style={styles.figure}
          aria-label={`${name}: ${quantityText(quantity, units)}. Why?`}
          onPress={() => ask(quantity)}
          testID={testID}
        >
          <Txt kind="strong" tone="press">
            {quantityText(quantity, units)}
          </Txt>
          {note ? (
            <Txt kind="fine" tone="soft">
              {note}
            </Txt>
          ) : null}
        </Pressable>
      ) : (
        <Txt kind="small" tone="soft" style={styles.figure}>
          {note}
        </Txt>
      )}
    </View>
  );
}

/** Which focal length, which distance, which pixels would it take? Solved for every body, and for the set-up in hand. */
export default function TakesPage() {
  const desk = useFarDesk();
  const now = desk.status === 'ready' ? desk.now : null;
  const waiting =
    desk.status === 'ready' ? (now?.system ? null : (now?.problem?.message ?? 'Opening …')) : waitingText(desk);
  return (
    <DeskPage title="What would it take?" up="/far" waiting={waiting}>
      {() =>
        desk.status === 'ready' && now?.system ? (
          <Takes situation={now.situation} system={now.system} kit={desk.kit} />
        ) : null
      }
    </DeskPage>
  );
}

function Takes({ situation, system, kit }: { situation: Situation; system: EffectiveSystem; kit: Kit }) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const [kind, setKind] = useState<Kind>('output');
  const [pixels, setPixels] = useState(1000);
  const { ask, sheetFor } = useWhy();
  const { subject, distanceM, output } = situation;
  const wish = useMemo(() => wishOf(kind, pixels), [kind, pixels]);
  const { own, bodies, lenses } = useMemo(
    () => solvedFor(wish, situation, system, kit),
    [wish, situation, system, kit],
  );
  const verdict = kind === 'output' && situation.judgeBy === 'resolved';
  const figure = (label: string, quantity: Quantity | undefined, testID: string) =>
    quantity ? (
      <Figure
        label={label}
        quantity={quantity}
        units={units}
        name={label}
        onWhy={() => ask(quantity)}
        testID={testID}
      />
    ) : null;
  return (
    <>
      <Choice
        label={`${subject.name} is to get`}
        value={kind}
        onChange={setKind}
        options={[
          { value: 'output', name: `enough for ${output.name}` },
          { value: 'third', name: 'a third of the frame' },
          { value: 'half', name: 'half of the frame' },
          { value: 'pixels', name: 'pixels of my own' },
        ]}
      />
      {kind === 'pixels' ? (
        <NumberField
          label="Pixels on the subject"
          value={pixels}
          unit="none"
          shownUnit="px"
          minimum={1}
          maximum={1_000_000}
          onChange={(value) => value !== null && setPixels(value)}
          testID="takes-pixels"
        />
      ) : null}
      <Txt kind="title" level={2}>
        With {situation.setupRow.data.name}
      </Txt>
      <View style={styles.row}>
        {figure('From as far as', own.distanceM, 'takes-distance')}
        {figure('From here, pixels of', own.pitchUm, 'takes-pitch')}
      </View>
      {own.distanceM ? null : <Txt tone="soft">From no distance: it does not draw that large.</Txt>}
      {kind === 'output' && own.distanceM && !own.pitchUm ? (
        <Txt tone="soft">From here no finer pixels would do it: the lens resolves less than that.</Txt>
      ) : null}
      {lenses.length > 1 ? (
        <>
          <Txt kind="title" level={2}>
            Each lens on {system.body.name}, from as far as
          </Txt>
          <View role="list">
            {lenses.map(({ id, name, focalMm, distanceM: reach }) => (
              <Row
                key={id}
                name={name}
                quantity={reach}
                note={reach ? `at ${quantityText({ value: focalMm, unit: 'mm' }, units)}` : 'from no distance'}
                units={units}
                ask={ask}
                testID={`takes-lens-${id}`}
              />
            ))}
          </View>
        </>
      ) : null}
      <Txt kind="title" level={2}>
        From {quantityText({ value: distanceM, unit: 'm' }, units)}, a lens on each body
      </Txt>
      <View role="list">
        {bodies.map(({ id, name, focalMm, equivalentFocalMm, problem }) => (
          <Row
            key={id}
            name={name}
            quantity={focalMm}
            note={
              equivalentFocalMm ? `as ${quantityText(equivalentFocalMm, units)} on 36 × 24` : (problem?.message ?? '')
            }
            units={units}
            ask={ask}
            testID={`takes-${id}`}
          />
        ))}
      </View>
      <Txt kind="small" tone="soft">
        {verdict
          ? 'Counted as the verdict does: the pixels that are resolved, on other bodies by a lens as sharp and as fast as this one.'
          : 'Pixels are counted as sampled: a weak lens resolves fewer.'}{' '}
        Keep the distance the law and the animal ask for; a longer lens disturbs less than a step.
      </Txt>
      {sheetFor()}
    </>
  );
}

const useStyles = stylesOf((palette) => ({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.page },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  name: { flex: 1 },
  figure: { flex: 1, alignItems: 'flex-end', paddingVertical: space.small },
}));
