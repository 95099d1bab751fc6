import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { focalLengthsFor, inHandNeeds, type Wish } from '@/core/far/whatItTakes';
import { neededPixels } from '@/core/output/needs';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
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
function wishOf(kind: Kind, pixels: number, { output, subject }: Situation): Wish {
  if (kind === 'third') return { kind: 'share', percent: 100 / 3 };
  if (kind === 'half') return { kind: 'share', percent: 50 };
  return { kind: 'pixels', pixels: kind === 'pixels' ? pixels : neededPixels(output, subject.sizeMm) };
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
  const { subject, distanceM } = situation;
  const wish = useMemo(() => wishOf(kind, pixels, situation), [kind, pixels, situation]);
  const bodies = useMemo(
    () => kit.bodies.flatMap((row) => (row.data.retired ? [] : [{ id: row.id, body: row.data }])),
    [kit.bodies],
  );
  const rows = useMemo(() => focalLengthsFor(wish, subject, distanceM, bodies), [wish, subject, distanceM, bodies]);
  const own = useMemo(() => inHandNeeds(wish, system, subject, distanceM), [wish, system, subject, distanceM]);
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
          { value: 'output', name: `enough for ${situation.output.name}` },
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
      <Txt kind="title" level={2}>
        From {quantityText({ value: distanceM, unit: 'm' }, units)}, on each body
      </Txt>
      <View role="list">
        {rows.map((each) => (
          <View key={each.id} role="listitem" style={styles.line}>
            <Txt style={styles.name}>{each.name}</Txt>
            {each.focalMm ? (
              <Pressable
                role="button"
                style={styles.figure}
                aria-label={`${each.name}: ${quantityText(each.focalMm, units)}. Why?`}
                onPress={() => each.focalMm && ask(each.focalMm)}
                testID={`takes-${each.id}`}
              >
                <Txt kind="strong" tone="press">
                  {quantityText(each.focalMm, units)}
                </Txt>
                <Txt kind="fine" tone="soft">
                  {each.equivalentFocalMm ? `as ${quantityText(each.equivalentFocalMm, units)} on 36 × 24` : ''}
                </Txt>
              </Pressable>
            ) : (
              <Txt kind="small" tone="soft" style={styles.figure}>
                {each.problem?.message}
              </Txt>
            )}
          </View>
        ))}
      </View>
      <Txt kind="small" tone="soft">
        Pixels are counted as sampled: a weak lens resolves fewer. Keep the distance the law and the animal ask for; a
        longer lens disturbs less than a step.
      </Txt>
      {sheetFor({})}
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
