import { useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { DeskFrame } from '@/ui/DeskFrame';
import { MosaicDrawing } from '@/ui/finder/MosaicDrawing';
import { Key } from '@/ui/controls/Key';
import { PictureKey } from '@/ui/take/PictureKey';
import { useFieldModes } from '@/ui/fieldModes';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { AssumedLine } from '../../desk/AssumedLine';
import { OwnGroup } from '../../desk/OwnGroup';
import { useWhy } from '../../desk/useWhy';
import { SiteLine } from '../SiteLine';
import { SkyDock } from '../SkyDock';
import { SkyDeskGate } from '../SkyDeskGate';
import { deepCard } from '../skyCards';
import type { ReadySky } from '../useSkyDesk';
import { DeepLevers } from './DeepLevers';
import { DeepReading } from './DeepReading';
import { DeepSettings } from './DeepSettings';
import { ObjectSearch } from './ObjectSearch';
import { ObjectSheet } from './ObjectSheet';
import { degreesText, titleOf } from './deepWords';
import { useDeep, type DeepState } from './useDeep';

/** Deep sky: does it fit, in how many frames, how fine, how long without guiding. */
export default function DeepDesk() {
  return <SkyDeskGate here="/sky/deep">{(desk) => <Deep desk={desk} />}</SkyDeskGate>;
}

function Deep({ desk }: { desk: ReadySky }) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const { ask, sheetFor } = useWhy();
  const units = usePreferences((preferences) => preferences.units);
  const setSky = useSky((sky) => sky.set);
  const [choosing, setChoosing] = useState(false);
  const state = useDeep(desk.system);
  const object = <Key title={state.object.name} icon="search" onPress={() => setChoosing(true)} />;
  const why = sheetFor(state.reading);
  return (
    <DeskFrame
      picture={<Picture state={state} wide={wide} />}
      reading={<DeepReading state={state} onWhy={ask} />}
      cautions={<AssumedLine situation={desk.situation} sky />}
      keep={<PictureKey content={() => deepCard(desk, state.object, state.reading, units)} />}
      levers={<DeepLevers base={desk.base} asked={state.asked} onWhy={ask} />}
      more={<DeepSettings open={wide} />}
      groups={<OwnGroup desk="deep" situation={desk.situation} system={desk.system} units={units} onWhy={ask} />}
      column={
        <View style={{ gap: space.medium }}>
          <SiteLine />
          <ObjectSearch onChoose={(targetId) => setSky({ targetId })} />
        </View>
      }
      dock={
        <SkyDock>
          {object}
          <SiteLine />
        </SkyDock>
      }
      sheet={choosing && !wide ? <ObjectSheet onClose={() => setChoosing(false)} /> : why}
    />
  );
}

/** The object and the frames over it. */
function Picture({ state: { object, reading, field }, wide }: { state: DeepState; wide: boolean }) {
  const { height } = useWindowDimensions();
  const { oneHand } = useFieldModes();
  const rollDeg = useSky((sky) => sky.frameRollDeg);
  const { plan } = reading;
  return (
    <MosaicDrawing
      lengthDeg={object.lengthArcmin / 60}
      widthDeg={object.widthArcmin / 60}
      turnDeg={(object.positionAngleDeg ?? 0) - rollDeg}
      fieldWidthDeg={field.widthDeg}
      fieldHeightDeg={field.heightDeg}
      centres={plan.centres}
      northDeg={rollDeg}
      maxHeight={height * (wide ? 0.46 : oneHand ? 0.18 : 0.32)}
      description={`${titleOf(object)}: ${formatFigures(object.lengthArcmin, 3)} by ${formatFigures(object.widthArcmin, 3)} arcminutes against a field of ${degreesText(field.widthDeg)} by ${degreesText(field.heightDeg)}, in ${plan.panels} ${plan.panels === 1 ? 'frame' : 'frames'}.`}
    />
  );
}
