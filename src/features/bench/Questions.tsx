import type { Measure, Place } from '@/core/measure/benchTalk';
import { askPicture, compare, setEnds, type BenchPicture } from '@/data/bench/pictures';
import { useSky } from '@/data/inHand';
import { Choice } from '@/ui/controls/Choice';
import { pointingFrom } from '../sky/skyWays';
import { starSetupOf } from './starSetup';
import type { TakenWith } from './useTakenWith';

type Asked = Measure | 'larger';

const QUESTIONS: readonly { value: Asked; name: string; gloss: string }[] = [
  { value: 'ruler', name: 'How large on the sensor?', gloss: 'by a millimetre ruler in it' },
  { value: 'length', name: 'How long is it?', gloss: 'between two handles' },
  { value: 'disc', name: 'How wide is the disc?', gloss: 'planet, Moon, something round' },
  { value: 'subject', name: 'Where does it end?', gloss: 'the subject and its pixels' },
  { value: 'edge', name: 'How sharp is it?', gloss: 'by a slanted edge in it' },
  { value: 'stars', name: 'Do the stars run?', gloss: 'a picture of the night sky' },
  { value: 'larger', name: 'Larger, or only shown larger?', gloss: 'two pictures of it: which has more?' },
];

/** Where the handles stand before anybody moved them: across the middle third. */
export const firstEnds = ({ width, height }: { width: number; height: number }): [Place, Place] => [
  [Math.round(width / 3), Math.round(height / 2)],
  [Math.round((2 * width) / 3), Math.round(height / 2)],
];

/** The questions one can ask of a picture; choosing one asks it. */
export function Questions({ picture, taken }: { picture: BenchPicture; taken: TakenWith }) {
  const sky = useSky();
  const { id, opened, question } = picture;
  if (!opened) return null;
  const ask = (measure: Asked) => {
    if (measure === 'larger') return compare();
    if (measure === 'stars') {
      const setup = starSetupOf(picture, taken, pointingFrom(sky), sky.projection);
      return void askPicture(id, { measure, ...(setup ? { setup } : {}) });
    }
    if (measure !== 'length') return void askPicture(id, { measure });
    const ends = picture.ends ?? firstEnds(opened);
    setEnds(id, ends);
    void askPicture(id, { measure, ends });
  };
  // Once one is asked the answer needs the room.
  const options = question ? QUESTIONS.map(({ value, name }) => ({ value, name })) : QUESTIONS;
  return <Choice label="Ask the picture" options={options} value={question?.measure ?? null} onChange={ask} />;
}
