import { View } from 'react-native';
import type { Entry } from '@/core/seek/entry';
import type { BookRows } from '@/data/seek/entries';
import { FOUND_HEADS, foundJson, foundTable } from '@/data/seek/takeFound';
import { Key } from '@/ui/controls/Key';
import { saveFile } from '@/ui/files';
import { tableCsv } from '@/ui/take/tableCsv';
import { space } from '@/ui/theme/measures';

/** Takes what was found along: as a table, or whole, to be brought in again. */
export function TakeFound({ rows, entries }: { rows: BookRows; entries: readonly Entry[] }) {
  if (!entries.length) return null;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
      <Key
        title="CSV"
        icon="file-download"
        onPress={() =>
          saveFile('jauge-book.csv', new Blob([tableCsv(FOUND_HEADS, foundTable(entries))], { type: 'text/csv' }))
        }
        testID="take-csv"
      />
      <Key
        title="JSON"
        icon="file-download"
        onPress={() => saveFile('jauge-book.json', new Blob([foundJson(rows, entries)], { type: 'application/json' }))}
        testID="take-json"
      />
    </View>
  );
}
