import { useMemo, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import { altitudesOf, bestWindow, LEAST_ALTITUDE_DEG, type BestWindow, type NightFrame } from '@/core/sky/night';
import { ofDate, planetOn, type Place } from '@/core/sky/ephemeris';
import { nightQuantities } from '@/core/sky/nightQuantities';
import { PLANETS, PLANET_NAMES } from '@/core/sky/planet';
import { clock, dayText } from '@/data/localTime';
import { usePreferences } from '@/data/preferences';
import { useSheets } from '@/data/sheets';
import { useSky } from '@/data/inHand';
import { DeskMessage } from '@/ui/DeskFrame';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Table } from '@/ui/Table';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { NightChart } from '@/ui/chart/NightChart';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { ComingNights } from './ComingNights';
import { UnderSkyTabs } from './SkyTabs';
import { NEAR_SUN_DEG, SUN_WARNING } from '@/core/sky/sunWarning';
import { useDemoEvening } from '@/data/demoEvening';
import { WhichNight } from './WhichNight';
import { useNight, type SkyNight } from './useNight';
import { useWhy } from '../desk/useWhy';

/** Night: dark hours, Moon, planets, and when an object stands best. */
export default function NightDesk() {
  const night = useNight();
  useDemoEvening();
  const open = useSheets((state) => state.open);
  return (
    <UnderSkyTabs here="/sky/night">
      {night ? (
        <Night {...night} />
      ) : (
        <DeskMessage text="For a night’s plan Jauge needs a place: of the list, by latitude and longitude, or this device’s, if you say so.">
          <Key title="Choose a place" icon="place" weight="strong" onPress={() => open('site')} />
        </DeskMessage>
      )}
    </UnderSkyTabs>
  );
}

/** When it is dark, and when the Sun goes and comes, in a sentence; also on days it does neither. */
function darkWords(night: NightFrame, at: (ms: number) => string): string {
  const { dark, dusk, sunDown, sunset, sunrise } = night;
  const hours = (span: { fromMs: number; toMs: number }) => formatFigures((span.toMs - span.fromMs) / 3_600_000);
  const sun = !sunDown
    ? 'the Sun stays up'
    : sunDown.throughout
      ? 'the Sun stays down'
      : [
          sunset === null ? '' : `the Sun sets at ${at(sunset)}`,
          sunrise === null ? '' : `${sunset === null ? 'the Sun ' : ''}rises at ${at(sunrise)}`,
        ]
          .filter((word) => word !== '')
          .join(' and ');
  if (dark?.throughout) return 'Dark from noon to noon: the Sun never comes nearer than 18° to the horizon.';
  if (dark) return `Dark from ${at(dark.fromMs)} to ${at(dark.toMs)}, ${hours(dark)} hours; ${sun}.`;
  if (dusk?.throughout) return `It does not get fully dark, and stays as deep as dusk from noon to noon; ${sun}.`;
  if (dusk)
    return `It does not get fully dark that night; deepest between ${at(dusk.fromMs)} and ${at(dusk.toMs)}; ${sun}.`;
  return `It does not get dark that night; ${sun}.`;
}

/** What a night offers: the deep object chosen and every planet, as one list. */
interface Offer {
  id: string;
  name: string;
  place: Place;
  best: BestWindow | null;
}

function Night({ site, day, midnightMs, night }: SkyNight) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const sky = useSky();
  const units = usePreferences((state) => state.units);
  const [shownId, setShownId] = useState<string | null>(null);
  const { ask: setAsked, sheetFor } = useWhy();
  const at = (ms: number) => clock(ms, site.zone);
  const planets = useMemo(
    () => PLANET_NAMES.map((name) => ({ name, ...planetOn(name, site, midnightMs) })),
    [site, midnightMs],
  );
  const offers = useMemo((): Offer[] => {
    const offer = (id: string, name: string, place: Place): Offer => ({
      id,
      name,
      place,
      best: bestWindow(place, site, night),
    });
    return [
      ...DEEP_OBJECTS.map((each) => offer(each.id, each.name, ofDate(each.raHours, each.declinationDeg, midnightMs))),
      ...planets.map((each) => offer(each.name, each.name, each)),
    ];
  }, [site, night, midnightMs, planets]);
  const shown = offers.find((each) => each.id === (shownId ?? sky.targetId)) ?? offers[0]!;
  const altitudes = useMemo(() => altitudesOf(shown.place, site, night), [shown, site, night]);
  const isPlanet = planets.find((each) => each.name === shown.id);
  const up = offers.filter((each) => each.best).sort((a, b) => b.best!.highestDeg - a.best!.highestDeg);
  const darkest = night.dark ?? night.dusk;
  const moonUp = darkest
    ? night.times.filter((ms, i) => ms >= darkest.fromMs && ms <= darkest.toMs && night.moonDeg[i]! > 0)
    : [];
  const span =
    night.sunset !== null && night.sunrise !== null
      ? { fromMs: night.sunset, toMs: night.sunrise }
      : { fromMs: night.fromMs, toMs: night.toMs };
  const numbers = nightQuantities(night, shown.best, shown.name);
  const sheet = sheetFor(numbers);
  const choose = (id: string) => {
    setShownId(id);
    if (DEEP_OBJECTS.some((each) => each.id === id)) sky.set({ targetId: id });
  };
  const head = (
    <View style={styles.block}>
      <WhichNight day={day} site={site} onDay={(next) => sky.set({ day: next })} />
      <TakeDrawing title={`Night of ${dayText(day)}, ${shown.name}`}>
        <NightChart
          times={night.times}
          curves={[
            { name: 'Moon', altitudes: night.moonDeg, look: 'moon' },
            { name: shown.name, altitudes, look: 'strong' },
          ]}
          fromMs={span.fromMs}
          toMs={span.toMs}
          dark={night.dark}
          best={shown.best}
          clock={at}
          leastDeg={LEAST_ALTITUDE_DEG}
          height={Math.max(190, height * (wide ? 0.4 : 0.26))}
          description={`Altitudes of ${shown.name} and the Moon through the night${shown.best ? `; best from ${at(shown.best.fromMs)} to ${at(shown.best.toMs)}, up to ${formatFixed(shown.best.highestDeg)} degrees` : ''}.`}
        />
      </TakeDrawing>
      <Txt kind="title" tone={shown.best ? 'press' : 'needle'} testID="best-window">
        {shown.best
          ? `● ${shown.name}: ${at(shown.best.fromMs)} to ${at(shown.best.toMs)}, up to ${formatFixed(shown.best.highestDeg)}° at ${at(shown.best.highestMs)}`
          : darkest
            ? `▽ ${shown.name} does not stand above ${LEAST_ALTITUDE_DEG}° in the dark`
            : `▽ No window for ${shown.name}: it does not get dark`}
      </Txt>
      {shown.best?.moonDisturbs ? (
        <Txt tone="caution">{`The Moon, ${formatFixed(night.moonLitShare * 100)}\u202f% lit, is up and comes within ${formatFixed(shown.best.moonFromDeg)}°: faint parts drown in it.`}</Txt>
      ) : null}
      {isPlanet && isPlanet.fromSunDeg < NEAR_SUN_DEG ? (
        <Txt kind="strong" tone="needle" role="alert">
          {`⚠ ${isPlanet.name} stands only ${formatFixed(isPlanet.fromSunDeg)}° from the Sun. ${SUN_WARNING}`}
        </Txt>
      ) : null}
      <Txt testID="dark-hours">{darkWords(night, at)}</Txt>
      <Txt testID="moon-line">{`Moon ${night.moonPhase}, ${formatFixed(night.moonLitShare * 100)}\u202f% lit, ${!darkest ? 'in a night that does not get dark' : moonUp.length === 0 ? 'below the horizon while it is dark' : `up in the dark from ${at(moonUp[0]!)} to ${at(moonUp.at(-1)!)}`}.`}</Txt>
      <FigureRow>
        <Figure
          label="Dark"
          quantity={numbers.darkHours}
          units={units}
          name="darkHours"
          onWhy={setAsked}
          testID="dark-figure"
        />
        <Figure label="Moon lit" quantity={numbers.moonLit} units={units} name="moonLit" onWhy={setAsked} />
        {numbers.windowHours ? (
          <Figure label="Window" quantity={numbers.windowHours} units={units} name="windowHours" onWhy={setAsked} />
        ) : null}
        {numbers.highest ? (
          <Figure label="Highest" quantity={numbers.highest} units={units} name="highest" onWhy={setAsked} />
        ) : null}
        {numbers.moonFrom ? (
          <Figure label="Moon from it" quantity={numbers.moonFrom} units={units} name="moonFrom" onWhy={setAsked} />
        ) : null}
      </FigureRow>
      <Txt kind="small" tone="caution">
        ⚠ At night and by the shore: tide, cliffs, cold, traffic, private land; tell someone. White light spares
        nobody’s eyes.
      </Txt>
    </View>
  );
  const rest = (
    <View style={styles.block}>
      <Choice
        label="What stands high in the dark, highest first"
        value={shown.id}
        options={up.map((each) => ({
          value: each.id,
          name: each.name,
          gloss: `${formatFixed(each.best!.highestDeg)}° at ${at(each.best!.highestMs)}`,
        }))}
        onChange={choose}
      />
      {up.length ? null : <Txt tone="soft">Nothing of the list stands above 30° in the dark that night.</Txt>}
      <Group title="Dark and moonless, the coming weeks">
        <ComingNights site={site} day={day} />
      </Group>
      <Txt kind="title" level={2}>
        Planets that night
      </Txt>
      <Table
        label="Planets that night"
        facts={{ Night: day, Place: site.name }}
        heads={['Planet', 'Disc', 'Highest', 'One turn', 'From the Sun']}
        rows={planets.map((each) => {
          const offer = offers.find((found) => found.id === each.name);
          const hours = PLANETS[each.name].rotationS / 3600;
          return {
            key: each.name,
            cells: [
              `${each.fromSunDeg < NEAR_SUN_DEG ? '⚠ ' : ''}${each.name}`,
              `${formatFigures(each.discArcsec, 3)}″`,
              offer?.best ? `${formatFixed(offer.best.highestDeg)}°, ${at(offer.best.highestMs)}` : 'low',
              hours > 48 ? `${formatFixed(hours / 24)} d` : `${formatFigures(hours, 3)} h`,
              `${formatFixed(each.fromSunDeg)}°`,
            ],
            strong: each.name === shown.id,
          };
        })}
      />
      {planets.some((each) => each.fromSunDeg < NEAR_SUN_DEG) ? (
        <Txt kind="small" tone="needle" role="alert" testID="sun-warning">
          {`⚠ within ${NEAR_SUN_DEG}° of the Sun. ${SUN_WARNING}`}
        </Txt>
      ) : null}
      <Txt kind="small" tone="soft">
        Altitudes are without the air’s refraction, which lifts things by half a degree at the horizon and less than 2′
        above 30°.
      </Txt>
    </View>
  );
  return wide ? (
    <View style={styles.columns}>
      <ScrollView style={styles.main} contentContainerStyle={styles.content}>
        {head}
      </ScrollView>
      <ScrollView style={styles.side} contentContainerStyle={styles.content}>
        {rest}
      </ScrollView>
      {sheet}
    </View>
  ) : (
    <ScrollView contentContainerStyle={styles.content}>
      {head}
      {rest}
      {sheet}
    </ScrollView>
  );
}

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  main: { flex: 1 },
  side: { width: 440, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  content: { padding: space.page, gap: space.page, maxWidth: 860, width: '100%', marginHorizontal: 'auto' },
  block: { gap: space.medium },
}));
