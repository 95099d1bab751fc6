import type { Measure, Place } from '@/core/measure/benchTalk';
import { askPicture, compare, setEnds, type BenchPicture } from '@/data/bench/pictures';
import { Choice } from '@/ui/controls/Choice';

type Asked = Measure | 'larger';

const QUESTIONS: readonly { value: Asked; name: string; gloss: string }[] = [
  { value: 'ruler', name: 'How large on the sensor?', gloss: 'by a millimetre ruler in it' },
  { value: 'length', name: 'How long is it?', gloss: 'between two handles' },
  { value: 'disc', name: 'How wide is the disc?', gloss: 'planet, Moon, something round' },
  { value: 'subject', name: 'Where does it end?', gloss: 'the subject and its pixels' },
  { value: 'larger', name: 'Larger, or only shown larger?', gloss: 'with a second picture of it' },
];

/** Where the handles stand before anybody moved them: across the middle third. */
export const firstEnds = ({ width, height }: { width: number; height: number }): [Place, Place] => [
  [Math.round(width / 3), Math.round(height / 2)],
  [Math.round((2 * width) / 3), Math.round(height / 2)],
];

/** The questions one can ask of a picture; choosing one asks it. */
export function Questions({ picture }: { picture: BenchPicture }) {
  const { id, opened, question } = picture;
  if (!opened) return null;
  const ask = (measure: Asked) => {
    if (measure === 'larger') return compare();
    if (measure !== 'length') return void askPicture(id, { measure });
    const ends = picture.ends ?? firstEnds(opened);
    setEnds(id, ends);
    void askPicture(id, { measure, ends });
  };
  // Once one is asked the answer needs the room.
  const options = question ? QUESTIONS.map(({ value, name }) => ({ value, name })) : QUESTIONS;
  return <Choice label="Ask the picture" options={options} value={question?.measure ?? null} onChange={ask} />;
}
