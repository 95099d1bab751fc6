import { View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { cardSvg } from '@/core/outing/cardSvg';
import { outingMarkdown, outingText } from '@/core/outing/markdown';
import type { OutingNight } from '@/core/outing/outingNight';
import type { OutingWords } from '@/core/outing/outingWords';
import { useNotice } from '@/data/notice';
import { Key } from '@/ui/controls/Key';
import { saveFile } from '@/ui/files';
import { fileName } from '@/ui/take/files';
import { space } from '@/ui/theme/measures';

interface Props {
  row: StoredOf<'outings'>;
  words: OutingWords;
  night: OutingNight | null;
}

/** Takes the card along: for the pocket, for other programs, for the calendar. */
export function CardKeys({ row, words, night }: Props) {
  const show = useNotice((state) => state.show);
  const title = `${row.data.day} ${row.data.name}`;
  const text = (kind: 'svg' | 'md' | 'ics', content: string, type: string) =>
    saveFile(fileName(title, kind), new Blob([content], { type }));
  const failed = (what: string, error: unknown) =>
    show({ text: `${what} could not be made (${(error as Error).message}). Try again, or take another form.` });
  const savePdf = async () => {
    try {
      const { cardPdf } = await import('@/data/outing/cardPdf');
      const { bytes, lettersMissing } = await cardPdf(words);
      saveFile(fileName(title, 'pdf'), new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }));
      if (lettersMissing)
        show({ text: 'Some letters cannot stand in the PDF. The SVG and Markdown have all of them.' });
    } catch (error) {
      failed('The PDF', error);
    }
  };
  const saveCalendar = async () => {
    try {
      const { outingCalendar } = await import('@/core/outing/calendar');
      const { data, id, version, updatedAt } = row;
      const description = outingText(words);
      const found = outingCalendar({ ...data, id, version, changedMs: Date.parse(updatedAt), description }, night);
      if (found.ok) text('ics', found.value, 'text/calendar');
      else show({ text: found.problem.message });
    } catch (error) {
      failed('The calendar', error);
    }
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
      <Key title="PDF" icon="picture-as-pdf" weight="strong" onPress={() => void savePdf()} />
      <Key title="SVG" icon="file-download" onPress={() => text('svg', cardSvg(words), 'image/svg+xml')} />
      <Key title="Markdown" icon="notes" onPress={() => text('md', outingMarkdown(words), 'text/markdown')} />
      <Key title="Calendar" icon="event" onPress={() => void saveCalendar()} />
    </View>
  );
}
