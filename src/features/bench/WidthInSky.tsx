import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { bodyWidth, DISC_BODIES } from '@/core/sky/bodyWidth';
import type { DiscBody } from '@/core/sky/ephemeris';
import { formatFigures } from '@/core/quantity/format';
import { given, type Quantity } from '@/core/quantity/quantity';
import { deviceZone, eveningOf, isDay, tonight } from '@/data/localTime';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';

type Which = DiscBody | 'other';

const WHICH: readonly { value: Which; name: string }[] = [
  ...DISC_BODIES.map((value) => ({ value, name: value })),
  { value: 'other', name: 'Another width' },
];

/** "1,890″ ± 3 %", three figures of it; the ± where it is not below a thousandth. */
function wide({ value, plusMinus = 0 }: Quantity): string {
  const share = plusMinus / value;
  return `${formatFigures(Number(value.toPrecision(3)), 3)}″${share < 1e-3 ? '' : ` ± ${formatFigures(100 * share, 1)}\u202f%`}`;
}

interface Props {
  takenAt: string | undefined;
  onChange: (arcsec: Quantity | null) => void;
}

/** How wide a body stood in the sky: a planet on an evening, which the ephemeris knows, or any width. */
export function WidthInSky({ takenAt, onChange }: Props) {
  const [which, setWhich] = useState<Which | null>(null);
  const [day, setDay] = useState(() => (takenAt ? eveningOf(takenAt) : tonight(deviceZone(), Date.now())));
  const [typed, setTyped] = useState<number | null>(null);
  const good = isDay(day);
  const body = which === 'other' ? null : which;
  const stood = useMemo(() => (body && good ? bodyWidth(body, day) : null), [body, day, good]);
  useEffect(() => {
    if (body) onChange(stood);
    else onChange(which === 'other' && typed !== null ? given(typed, '″', 'Width in the sky') : null);
  }, [body, which, stood, typed, onChange]);
  return (
    <View style={{ gap: space.medium }}>
      <Choice label="Which" options={WHICH} value={which} onChange={setWhich} />
      {body ? (
        <>
          <TextField
            label="On the evening of"
            value={day}
            onChange={setDay}
            placeholder="2026-11-26"
            error={good ? undefined : 'Write the day as 2026-11-26: year, month, day.'}
          />
          {stood ? (
            <Txt kind="small" tone="soft">
              {`${body} stood ${wide(stood)} wide${takenAt ? '; the day is the picture’s own' : ''}.`}
            </Txt>
          ) : null}
        </>
      ) : null}
      {which === 'other' ? (
        <NumberField
          label="How wide it stood that night"
          value={typed}
          unit="none"
          shownUnit="″"
          minimum={0.5}
          maximum={4000}
          optional
          onChange={setTyped}
        />
      ) : null}
    </View>
  );
}
