import { memo } from 'react';
import { View } from 'react-native';
import type { FarReading } from '@/core/far/readFar';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import type { Situation } from '@/data/situation';
import { useCalmed } from '@/data/useCalmed';
import { FarGroups } from './FarGroups';
import { FarPages } from './FarPages';
import { MoreGroups, useFarMore } from './MoreGroups';
import { OwnGroup } from '../desk/OwnGroup';
import type { DeskState } from './useFarDesk';

/** The groups lie below the reading and need not keep step with a finger: the frames of a drag belong to the reading. */
const EVERY_MS = 140;

/** Another set-up, subject or mode is a tap: it reaches the groups at once. A pull changes nothing but numbers. */
const isTap = (from: DeskState, to: DeskState): boolean =>
  from.situation.setupRow !== to.situation.setupRow ||
  from.situation.subjectRow !== to.situation.subjectRow ||
  from.situation.outputRow !== to.situation.outputRow ||
  from.situation.setup.modeId !== to.situation.setup.modeId;

interface Props {
  now: DeskState;
  units: UnitSystem;
  onWhy: (name: string | Quantity) => void;
  /** Starts with the first groups open, where there is room. */
  open: boolean;
}

/** All groups below the reading and the pages beyond them, drawn again a few times a second while one pulls. */
export function GroupsBelow({ now, units, onWhy, open }: Props) {
  const calm = useCalmed(now, EVERY_MS, isTap);
  return calm?.system && calm.reading ? (
    <Groups
      situation={calm.situation}
      system={calm.system}
      reading={calm.reading}
      units={units}
      onWhy={onWhy}
      open={open}
    />
  ) : null;
}

const Groups = memo(function Groups({
  situation,
  system,
  reading,
  units,
  onWhy,
  open,
}: Omit<Props, 'now'> & { situation: Situation; system: EffectiveSystem; reading: FarReading }) {
  const more = useFarMore(situation, system, reading);
  return (
    <View>
      <FarGroups {...{ system, reading, units, open }} onWhy={onWhy} />
      {more ? <MoreGroups {...{ situation, system, more, units, onWhy }} /> : null}
      <OwnGroup
        desk="far"
        situation={situation}
        system={system}
        counted={reading.countedPixels}
        distanceM={situation.distanceM}
        units={units}
        onWhy={onWhy}
      />
      <FarPages />
    </View>
  );
});
