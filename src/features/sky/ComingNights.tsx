import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { comingNight, type ComingNight } from '@/core/sky/moonless';
import { formatFixed } from '@/core/quantity/format';
import { clock, dayText, noonMs, shiftDay } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import type { SkySite } from '@/data/skyOptions';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** Nights looked ahead. */
const AHEAD = 28;
const HOUR_MS = 3_600_000;
/** Shorter than this nobody goes out for, ms. */
const WORTH_MS = HOUR_MS / 2;

interface Night extends ComingNight {
  day: string;
}

/** Looks ahead night by night, so that the page stays free meanwhile. */
function useComing(site: SkySite, day: string): Night[] {
  const [nights, setNights] = useState<Night[]>([]);
  useEffect(() => {
    let at = 0;
    let stopped = false;
    const found: Night[] = [];
    const step = () => {
      if (stopped) return;
      const evening = shiftDay(day, at);
      found.push({ day: evening, ...comingNight(site, noonMs(evening, site.zone), 0) });
      at += 1;
      setNights([...found]);
      if (at < AHEAD) setTimeout(step);
    };
    const timer = setTimeout(step);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [site, day]);
  return nights;
}

/** The nights of the coming weeks that are dark without the Moon, and for how long; a tap goes to one. */
export function ComingNights({ site, day }: { site: SkySite; day: string }) {
  const styles = useStyles();
  const nights = useComing(site, day);
  const set = useSky((sky) => sky.set);
  const good = nights.filter(({ window }) => window && window.toMs - window.fromMs >= WORTH_MS);
  return (
    <View style={{ gap: space.small }}>
      {nights.length < AHEAD ? (
        <Txt kind="small" tone="soft" role="status">
          {`Looking ahead: ${nights.length} of ${AHEAD} nights …`}
        </Txt>
      ) : good.length === 0 ? (
        <Txt tone="soft">In these four weeks no night is dark and moonless for half an hour.</Txt>
      ) : null}
      {good.map(({ day: evening, window, moonLitShare }) => (
        <View key={evening} style={styles.line}>
          <View style={styles.words}>
            <Txt kind="strong">{dayText(evening)}</Txt>
            <Txt kind="small" tone="soft">
              {`${clock(window!.fromMs, site.zone)} to ${clock(window!.toMs, site.zone)}, ${formatFixed((window!.toMs - window!.fromMs) / HOUR_MS, 1)}\u202fh; Moon ${formatFixed(moonLitShare * 100)}\u202f% lit`}
            </Txt>
          </View>
          {evening === day ? null : (
            <Key
              title={`Go to ${dayText(evening)}`}
              icon="arrow-forward"
              iconOnly
              onPress={() => set({ day: evening })}
            />
          )}
        </View>
      ))}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flex: 1 },
}));
