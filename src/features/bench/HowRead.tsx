import { View } from 'react-native';
import { reopen, type BenchPicture } from '@/data/bench/pictures';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';

const TONES = [
  { value: 'srgb', name: 'For the screen', gloss: 'the sRGB curve, as JPEG has it' },
  { value: 'linear', name: 'In proportion', gloss: 'raw, FITS, SER' },
] as const;

/** How a file is read: what its codes stand for, and which frame of a film or page of a file. */
export function HowRead({ picture }: { picture: BenchPicture }) {
  const { id, opened } = picture;
  if (!opened) return null;
  const { tone, frame, frames, kind } = opened;
  const film = kind === 'ser';
  return (
    <Group title="How it is read" brief={tone === 'srgb' ? 'for the screen' : 'in proportion'}>
      <View style={{ gap: space.medium }}>
        <Choice
          label="Its codes stand for light"
          options={TONES}
          value={tone}
          onChange={(next) => reopen(id, { tone: next, ...(frame === undefined ? {} : { frame }) })}
        />
        {frame === undefined ? null : (
          <>
            <NumberField
              label={film ? 'Frame of the film, counted from 1' : 'Page of the file, counted from 1'}
              value={frame + 1}
              unit="none"
              shownUnit=""
              minimum={1}
              maximum={frames ?? 1e6}
              testID="frame-field"
              onChange={(next) => {
                if (next !== null) reopen(id, { tone, frame: Math.round(next) - 1 });
              }}
            />
            <Txt kind="small" tone="soft">
              {film ? 'Opened at its sharpest frame.' : `Opened at its largest page, of ${frames ?? 'several'}.`}
            </Txt>
          </>
        )}
      </View>
    </Group>
  );
}
