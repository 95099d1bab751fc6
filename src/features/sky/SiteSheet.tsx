import { useState } from 'react';
import { View } from 'react-native';
import { SITES } from '@/core/sky/sites';
import { formatFixed } from '@/core/quantity/format';
import { dayText, deviceZone, isDay, isZone, shiftDay, tonight } from '@/data/localTime';
import { useOwnPlace } from './useOwnPlace';
import { zoneMisfit } from './zoneOfPlace';
import { useSky } from '@/data/inHand';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';

/** Where and when: a place of the list, entered, or the device's own when asked; and the evening the night begins. */
export default function SiteSheet({ onClose }: { onClose: () => void }) {
  const { site, day, set } = useSky();
  const zone = site?.zone ?? deviceZone();
  const [openedMs] = useState(() => Date.now());
  const shown = day ?? tonight(zone, openedMs);
  const [problem, setProblem] = useState<string | null>(null);
  const [typedDay, setTypedDay] = useState<string | null>(null);
  const [typedZone, setTypedZone] = useState<string | null>(null);
  const { entered, enterPosition } = useOwnPlace();
  const enterZone = (next: string) => site && set({ site: { ...site, zone: next } });
  const misfit = site && zoneMisfit(site, openedMs);
  const takeDevice = () => {
    if (!('geolocation' in navigator))
      return setProblem('This device does not tell its position. Enter latitude and longitude.');
    setProblem('Asking the device …');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setProblem(null);
        set({
          site: {
            name: 'Here',
            latitudeDeg: Number(coords.latitude.toFixed(2)),
            longitudeDeg: Number(coords.longitude.toFixed(2)),
            heightM: Math.round(coords.altitude ?? 0),
            zone: deviceZone(),
          },
        });
      },
      () => setProblem('The device did not give its position. Enter latitude and longitude, or choose a place.'),
      { timeout: 20_000 },
    );
  };
  return (
    <Sheet title="Place and night" onClose={onClose}>
      <View style={{ gap: space.small }}>
        <Txt kind="label" tone="soft">
          The evening the night begins
        </Txt>
        <View style={row}>
          <Key title="The day before" icon="chevron-left" iconOnly onPress={() => set({ day: shiftDay(shown, -1) })} />
          <Txt kind="strong" testID="night-day">
            {dayText(shown)}
          </Txt>
          <Key title="The day after" icon="chevron-right" iconOnly onPress={() => set({ day: shiftDay(shown, 1) })} />
          {day === null ? null : <Key title="Tonight" weight="plain" onPress={() => set({ day: null })} />}
        </View>
        <TextField
          label="or as year-month-day"
          value={typedDay ?? shown}
          onChange={(text) => {
            setTypedDay(text);
            if (isDay(text)) {
              set({ day: text });
              setTypedDay(null);
            }
          }}
          error={
            typedDay !== null && typedDay.length >= 10 ? 'There is no such day. Write it as 2026-11-25.' : undefined
          }
        />
      </View>
      <Choice
        label="A place of the list"
        value={SITES.some((each) => each.name === site?.name) ? (site?.name ?? null) : null}
        options={SITES.map((each) => ({ value: each.name, name: each.name }))}
        onChange={(name) => set({ site: SITES.find((each) => each.name === name) ?? null })}
      />
      <View style={{ gap: space.small }}>
        <Txt kind="label" tone="soft">
          or entered: north and east are positive
        </Txt>
        <FieldRow>
          <NumberField
            label="Latitude"
            value={entered.latitudeDeg}
            unit="none"
            shownUnit="°"
            minimum={-90}
            maximum={90}
            optional
            onChange={(latitudeDeg) => enterPosition({ ...entered, latitudeDeg })}
            testID="latitude-field"
          />
          <NumberField
            label="Longitude"
            value={entered.longitudeDeg}
            unit="none"
            shownUnit="°"
            minimum={-180}
            maximum={180}
            optional
            onChange={(longitudeDeg) => enterPosition({ ...entered, longitudeDeg })}
            testID="longitude-field"
          />
        </FieldRow>
        {(entered.latitudeDeg === null) === (entered.longitudeDeg === null) ? null : (
          <Txt kind="small" tone="caution" role="status">
            {`Enter the ${entered.latitudeDeg === null ? 'latitude' : 'longitude'} too: a place needs both.`}
          </Txt>
        )}
        <TextField
          label="Time zone there, such as Europe/Paris"
          value={typedZone ?? zone}
          onChange={(text) => {
            setTypedZone(text);
            if (isZone(text)) {
              enterZone(text);
              setTypedZone(null);
            }
          }}
          error={
            typedZone !== null
              ? 'This zone is not known. Write it as continent and city, such as Europe/Paris.'
              : undefined
          }
        />
        {misfit ? (
          <View style={{ gap: space.small }}>
            <Txt kind="small" tone="caution" role="alert">
              {`These clocks do not fit the place: ${site.zone} and ${misfit} differ there now. All times are told by ${site.zone}.`}
            </Txt>
            <Key title={`Take ${misfit}`} icon="schedule" onPress={() => enterZone(misfit)} />
          </View>
        ) : null}
        <Key title="Take this device’s position" icon="my-location" onPress={takeDevice} />
        {problem ? (
          <Txt kind="small" tone="caution" role="status">
            {problem}
          </Txt>
        ) : null}
        {site ? (
          <Txt kind="small" tone="soft">
            {`${site.name}: ${formatFixed(Math.abs(site.latitudeDeg), 1)}° ${site.latitudeDeg < 0 ? 'S' : 'N'}, ${formatFixed(Math.abs(site.longitudeDeg), 1)}° ${site.longitudeDeg < 0 ? 'W' : 'E'}, clocks of ${site.zone}. It stays on this device.`}
          </Txt>
        ) : null}
      </View>
    </Sheet>
  );
}

const row = { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium } as const;
