import { memo, useDeferredValue, useMemo } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useKit } from '@/data/useKit';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { showLengthM, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { NAV_HEIGHT, TARGET, WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useMagnified } from '@/ui/useMagnified';
import { modesOf } from '@/core/kit/body';
import { zoomedName } from '@/core/kit/zoomedName';
import { situationOf, type Chosen, type Situation } from '@/data/situation';
import { useSheets } from '@/data/sheets';
import { useSky } from '@/data/inHand';
import { useChosen } from '@/data/useChosen';

// The sheets are opened by functions that never change, so that nothing is drawn again for their sake.
const openSetup = () => useSheets.getState().open('setup');
const openSubject = () => useSheets.getState().open('subject');
const openSite = () => useSheets.getState().open('site');
const openPreferences = () => useSheets.getState().open('preferences');
const openKeys = () => useSheets.getState().open('keys');

/** Where the slate is seen: what matters about the subject there is its distance, its size, or the night. */
type At = 'far' | 'near' | 'sky';

/** What matters about the subject. */
function subjectLineOf({ subject, distanceM }: Situation, at: At, units: UnitSystem): string {
  const shown = at === 'near' ? showSubjectMm(subject.sizeMm, units) : showLengthM(distanceM, units);
  return `${at === 'near' ? '' : 'at '}${shownText(shown)}`;
}

/** The slate: what is in hand, always in sight. A tap on a tag opens the kit or the subjects. It follows a drag a moment later. */
export function Slate({ at }: { at: At }) {
  return <Tags at={at} chosen={useDeferredValue(useChosen())} />;
}

const Tags = memo(function Tags({ at, chosen }: { at: At; chosen: Chosen }) {
  const styles = useStyles();
  const magnified = useMagnified();
  const { kit, loading } = useKit();
  const units = usePreferences((state) => state.units);
  const situation = useMemo(() => situationOf(kit, chosen), [kit, chosen]);
  const ready = typeof situation === 'string' ? null : situation;
  const [setupName, setupLine] = ready ? setupWords(ready) : [loading ? '…' : 'None yet', 'Tap to start'];
  const subjectName = ready?.subjectRow.data.name ?? kit.subjects[0]?.data.name ?? (loading ? '…' : 'None yet');
  const subjectLine = ready ? subjectLineOf(ready, at, units) : 'Tap to choose';
  return (
    <View style={styles.slate} role="banner">
      <View style={magnified ? styles.below : styles.beside}>
        <Tag label="Set-up" name={setupName} line={setupLine} onPress={openSetup} />
        {magnified ? null : <View style={styles.rule} />}
        {at === 'sky' ? (
          <SkyTag />
        ) : (
          <Tag label="Subject" name={subjectName} line={subjectLine} onPress={openSubject} narrow />
        )}
      </View>
      <SlateKeys />
    </View>
  );
});

/** What a set-up is called, and what it is made of; one named after its parts is not told twice. */
function setupWords({ setup, setupRow }: Situation): [string, string] {
  const { body, modeId } = setup;
  const mode = modesOf(body).find((each) => each.id === modeId);
  const bodyName = `${body.name}${mode && mode.id !== 'whole' ? `, ${mode.name}` : ''}`;
  const parts = setup.chain.map(({ part }) => part.name);
  const { name, namedAfterParts } = setupRow.data;
  return namedAfterParts
    ? [bodyName, zoomedName(parts.join(' + '), setup)]
    : [name, `${bodyName} + ${parts.join(' + ')}`];
}

/** 25 Nov, in the reader's own order. */
const shortDay = (day: string): string =>
  new Date(`${day}T12:00:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** Under the sky the subject is a place and a night. */
const SkyTag = memo(function SkyTag() {
  const site = useSky((state) => state.site);
  const day = useSky((state) => state.day);
  return (
    <Tag
      label="Place and night"
      name={site?.name ?? 'Place'}
      line={day === null ? 'tonight' : shortDay(day)}
      onPress={openSite}
      narrow
    />
  );
});

/** The keys at the right; apart, because nothing of a drag concerns them. */
const SlateKeys = memo(function SlateKeys() {
  const look = usePreferences((state) => state.look);
  const prefer = usePreferences((state) => state.prefer);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const night = look !== 'day';
  return (
    <>
      <Key
        title={night ? 'Day look' : 'Night look'}
        icon={night ? 'light-mode' : 'dark-mode'}
        iconOnly
        weight="plain"
        onPress={() => prefer({ look: night ? 'day' : 'night' })}
      />
      {night ? (
        <Key
          title={look === 'dim' ? 'Brighter' : 'Dimmer'}
          icon={look === 'dim' ? 'brightness-high' : 'brightness-low'}
          iconOnly
          weight="plain"
          onPress={() => prefer({ look: look === 'dim' ? 'night' : 'dim' })}
        />
      ) : null}
      {wide ? <Key title="Keys" icon="keyboard" iconOnly weight="plain" onPress={openKeys} /> : null}
      <Key title="Preferences" icon="tune" iconOnly weight="plain" onPress={openPreferences} />
    </>
  );
});

const Tag = memo(function Tag({
  label,
  name,
  line,
  onPress,
  narrow = false,
}: {
  label: string;
  name: string;
  line: string;
  onPress: () => void;
  narrow?: boolean;
}) {
  const styles = useStyles();
  const magnified = useMagnified();
  return (
    <Pressable
      role="button"
      aria-haspopup="dialog"
      aria-label={`${label}: ${name}, ${line}. Change`}
      onPress={onPress}
      style={[styles.tag, narrow && styles.narrow, magnified && styles.magnified]}
    >
      <Txt kind="strong" tone="press" numberOfLines={1}>
        {name}
      </Txt>
      {magnified && !narrow ? null : (
        <Txt kind="fine" tone="soft" numberOfLines={1}>
          {line}
        </Txt>
      )}
    </Pressable>
  );
});

const useStyles = stylesOf((palette) => ({
  slate: {
    flexDirection: 'row',
    alignItems: 'stretch',
    minHeight: NAV_HEIGHT,
    paddingLeft: space.page,
    paddingRight: space.small,
    gap: space.small,
    backgroundColor: palette.paper,
    borderBottomWidth: 2,
    borderColor: palette.ink,
  },
  tag: { flex: 3, minWidth: 0, justifyContent: 'center', paddingVertical: space.small },
  narrow: { flex: 2 },
  beside: { flex: 1, flexDirection: 'row', gap: space.small },
  below: { flex: 1 },
  magnified: { flex: 0, flexBasis: 'auto', minHeight: TARGET },
  rule: { width: 1, backgroundColor: palette.hairline, marginVertical: space.medium, marginRight: space.small },
}));
