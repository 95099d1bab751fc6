import { useWatch } from 'react-hook-form';
import { sensorDoubts } from '@/core/sensor/plausibility';
import type { SensorSpec } from '@/core/sensor/cropMode';
import { Txt } from '@/ui/Txt';

/** What is odd about the sensor as it is being typed; it may be saved all the same. */
export function SensorRemarks() {
  const sensor = useWatch({ name: 'sensor' }) as SensorSpec;
  return sensorDoubts(sensor).map((doubt) => (
    <Txt key={doubt.code} kind="small" tone="caution" role="status">
      ⚠ {doubt.message}
    </Txt>
  ));
}
