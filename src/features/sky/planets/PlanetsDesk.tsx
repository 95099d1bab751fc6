import { View, useWindowDimensions } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import { PLANET_NAMES, discPx, type PlanetName } from '@/core/sky/planet';
import { NEAR_SUN_DEG, SUN_WARNING } from '@/core/sky/sunWarning';
import { useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { DeskFrame } from '@/ui/DeskFrame';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { PlanetDrawing } from '@/ui/finder/PlanetDrawing';
import { PictureKey } from '@/ui/take/PictureKey';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { SiteLine } from '../SiteLine';
import { SkyDock } from '../SkyDock';
import { SkyDeskGate } from '../SkyDeskGate';
import { planetCard } from '../skyCards';
import { secondsText } from '../starWords';
import type { ReadySky } from '../useSkyDesk';
import { AssumedLine } from '../../desk/AssumedLine';
import { OwnGroup } from '../../desk/OwnGroup';
import { useWhy } from '../../desk/useWhy';
import { Cameras } from './Cameras';
import { MoonAndSun } from './MoonAndSun';
import { PlanetReading } from './PlanetReading';
import { Recording } from './Recording';
import { SpreadLevers } from './SpreadLevers';
import { usePlanet, type PlanetState } from './usePlanet';

/** Planets: disc, sampling, Barlow, recording. */
export default function PlanetsDesk() {
  return <SkyDeskGate here="/sky/planets">{(desk) => <Planets desk={desk} />}</SkyDeskGate>;
}

function Planets({ desk }: { desk: ReadySky }) {
  const { width } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const { ask, sheetFor } = useWhy();
  const units = usePreferences((preferences) => preferences.units);
  const { system } = desk;
  const state = usePlanet(system);
  const { planet, here, reading, capture, recorded, discs, discArcsec, durationS } = state;
  const chooser = <PlanetChoice planet={planet} />;
  return (
    <DeskFrame
      picture={
        <View style={{ gap: space.medium }}>
          {wide ? null : chooser}
          <Picture desk={desk} state={state} />
        </View>
      }
      reading={<PlanetReading system={system} state={state} onWhy={ask} />}
      cautions={
        <>
          {here && here.fromSunDeg < NEAR_SUN_DEG ? (
            <Txt kind="strong" tone="needle" role="alert" testID="sun-warning">
              {`⚠ ${planet} stands only ${formatFixed(here.fromSunDeg)}° from the Sun. ${SUN_WARNING}`}
            </Txt>
          ) : null}
          <AssumedLine situation={desk.situation} sky />
        </>
      }
      keep={<PictureKey content={() => planetCard(desk, planet, reading, units)} />}
      levers={<SpreadLevers desk={desk} discArcsec={discArcsec} onWhy={ask} />}
      more={
        <Group
          title="Recording"
          startsOpen
          brief={`${formatFixed(capture.frames)} frames in ${secondsText(durationS)}`}
        >
          <Recording state={state} onWhy={ask} />
        </Group>
      }
      groups={
        <>
          <Group title="Cameras compared" brief="window, rate, compression, weight" startsOpen={wide}>
            <Cameras desk={desk} discArcsec={discArcsec} recording={state.recording} />
          </Group>
          <Group
            title="Moon and Sun on this sensor"
            startsOpen={wide}
            brief={`${formatFixed(discPx(discs.moonArcsec, system.focalMm.value, system.pitchUm.value))}\u202fpx`}
          >
            <MoonAndSun system={system} moonArcsec={discs.moonArcsec} sunArcsec={discs.sunArcsec} onWhy={ask} />
          </Group>
          <OwnGroup desk="planets" situation={desk.situation} system={system} units={units} onWhy={ask} />
        </>
      }
      column={
        <View style={{ gap: space.medium }}>
          {chooser}
          <SiteLine />
        </View>
      }
      dock={
        here ? null : (
          <SkyDock>
            <SiteLine />
          </SkyDock>
        )
      }
      sheet={sheetFor(system, recorded, reading)}
    />
  );
}

function PlanetChoice({ planet }: { planet: PlanetName }) {
  const set = useSky((sky) => sky.set);
  return (
    <Choice
      label="Planet"
      hideLabel
      value={planet}
      options={PLANET_NAMES.map((value) => ({ value, name: value }))}
      onChange={(value: PlanetName) => set({ planet: value, captureS: null })}
    />
  );
}

/** The disc beside the sensor, and the window that is read out. */
function Picture({ desk: { system }, state }: { desk: ReadySky; state: PlanetState }) {
  const { height } = useWindowDimensions();
  const { planet, reading, capture } = state;
  const { columns, rows } = system.used;
  return (
    <PlanetDrawing
      discPx={reading.discPx.value}
      ringed={planet === 'Saturn'}
      sensorColumns={columns}
      sensorRows={rows}
      window={{ columns: Math.min(capture.columns, columns), rows: Math.min(capture.rows, rows) }}
      maxHeight={height * 0.24}
      description={`${planet} at ${formatFixed(reading.discPx.value)} pixels across, beside the whole sensor of ${columns} by ${rows}; the window read out is ${capture.columns} by ${capture.rows}.`}
    />
  );
}
