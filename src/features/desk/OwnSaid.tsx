import { View } from 'react-native';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { converterText } from '@/core/learned/learnedWords';
import { ownConverters, ownDistanceM, ownIso, ownPixels, ownRatio, ownStarsS } from '@/core/learned/ownSchools';
import { distanceAgainstOwn, pixelsAgainstOwn } from '@/core/learned/ownWords';
import type { Learned } from '@/core/learned/learn';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { useOwn } from '@/data/own/learned';
import type { Situation } from '@/data/situation';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';

/** What is being read, as far as one's own pictures say something of it. */
interface Read {
  desk: 'far' | 'near' | 'stars' | 'planets' | 'deep';
  situation: Situation;
  system: EffectiveSystem;
  /** Pixels that count on the subject, and how far it is, m. */
  counted?: Quantity;
  distanceM?: number;
}

interface Props extends Read {
  units: UnitSystem;
  onWhy: (quantity: Quantity) => void;
}

const PAGES = [
  {
    href: '/book/says',
    name: 'What the Book says',
    gloss: 'all of it with its curves; switch off what is not to count',
  },
] as const;

/** Name of the lens of a chain, and those of the converters behind it. */
function namesOf({ setup }: Situation): { lens: string | undefined; converters: string[] } {
  const parts = setup.chain.map(({ part }) => part);
  return {
    lens: parts.findLast(({ kind }) => kind === 'lens')?.name,
    converters: parts.filter(({ kind }) => kind === 'converter').map(({ name }) => name),
  };
}

/** What one's own pictures say of what is in hand: numbers, and how this reading stands to them. */
export function ownSaid(own: Learned, { desk, situation, system, counted, distanceM }: Read, units: UnitSystem) {
  const { lens, converters } = namesOf(situation);
  const pixels = desk === 'far' || desk === 'near' ? ownPixels(own, desk) : null;
  const distance =
    desk === 'far' ? ownDistanceM(own, situation.subject.name, SUBJECT_KINDS[situation.subject.kind].name) : null;
  const used = lens ? ownConverters(own, lens, converters) : [];
  const known = (name: string, quantity: Quantity | null | undefined): NamedFigure[] =>
    quantity ? [{ name, quantity }] : [];
  return {
    figures: [
      ...known('Kept from so many pixels', pixels),
      ...known(`${situation.subject.name} kept from`, distance),
      ...known('Sharp by hand up to', desk === 'near' ? ownRatio(own) : null),
      ...known('Stars with this lens', desk === 'stars' && lens ? ownStarsS(own, lens) : null),
      ...known('ISO with this body', ownIso(own, system.body.name)),
      ...used.flatMap(({ found, kept }) => known(`Kept with ${found.converter}`, kept)),
    ],
    lines: [
      ...(pixels && counted ? [pixelsAgainstOwn(counted, pixels)] : []),
      ...(distance && distanceM !== undefined ? [distanceAgainstOwn(distanceM, distance, units)] : []),
      ...used.map(({ found }) => `${found.converter} on ${found.lens}: ${converterText(found)}`),
    ],
  };
}

/** What one's own pictures say of what is in hand; nothing while they say nothing. */
export default function OwnSaid({ units, onWhy, ...read }: Props) {
  const own = useOwn();
  const { figures, lines } = ownSaid(own, read, units);
  if (!figures.length) return null;
  return (
    <Group title="What your pictures say" brief={`${figures.length} learned from your verdicts`}>
      <View style={{ gap: space.medium }}>
        <FigureList figures={figures} units={units} ask={onWhy} />
        {lines.map((line) => (
          <Txt key={line} kind="small" tone="soft">
            {line}
          </Txt>
        ))}
        <PageLinks label="More of what your pictures say" pages={PAGES} />
      </View>
    </Group>
  );
}
