import { useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Entry } from '@/core/seek/entry';
import { distancesBySubject, keepersBySetup, pixelsOverTime } from '@/core/seek/statistics';
import { usePreferences } from '@/data/preferences';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { DistanceChart } from '@/ui/chart/DistanceChart';
import { KeepersChart } from '@/ui/chart/KeepersChart';
import { PixelsChart } from '@/ui/chart/PixelsChart';
import { space } from '@/ui/theme/measures';

/** Rows of a chart that can be told apart at a glance; the others are told as left out. */
const MOST_ROWS = 10;

const leftOut = (count: number, what: string): string =>
  count > MOST_ROWS ? ` The ${MOST_ROWS} ${what} with most; look for one of the others to see it.` : '';

/** What was found, as charts: pixels over time, distances, keepers by set-up. */
export function Statistics({ entries }: { entries: readonly Entry[] }) {
  const units = usePreferences((state) => state.units);
  const pixels = useMemo(() => pixelsOverTime(entries), [entries]);
  const distances = useMemo(() => distancesBySubject(entries), [entries]);
  const keepers = useMemo(() => keepersBySetup(entries), [entries]);
  return (
    <View style={{ gap: space.page }}>
      <Txt kind="small" tone="soft">
        ● pictures kept · ○ pictures not kept · ■ readings of a desk
      </Txt>
      <Part title="Pixels on the subject over time" empty={!pixels.length}>
        <PixelsChart points={pixels} />
      </Part>
      <Part
        title="Distances"
        empty={!distances.length}
        says={`Subject by subject, from near to far.${leftOut(distances.length, 'subjects')}`}
      >
        <DistanceChart rows={distances.slice(0, MOST_ROWS)} units={units} />
      </Part>
      <Part
        title="Keepers by set-up"
        empty={!keepers.length}
        says={`Judged groups kept. The bar holds the true share in nine of ten cases: a few groups tell little.${leftOut(keepers.length, 'set-ups')}`}
      >
        <KeepersChart rows={keepers.slice(0, MOST_ROWS)} />
      </Part>
    </View>
  );
}

function Part({ title, says, empty, children }: { title: string; says?: string; empty: boolean; children: ReactNode }) {
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="title" level={2}>
        {title}
      </Txt>
      {empty ? (
        <Txt kind="small" tone="soft">
          Nothing of what was found tells it.
        </Txt>
      ) : (
        <Guard what={title} resetKeys={[children]}>
          {children}
        </Guard>
      )}
      {says && !empty ? (
        <Txt kind="small" tone="soft">
          {says}
        </Txt>
      ) : null}
    </View>
  );
}
