import { useState } from 'react';
import { View } from 'react-native';
import type { CsvResource } from '@/contract/csv/columns';
import { CSV_EXAMPLES } from '@/contract/csv/examples';
import { ApiRefusal, ApiUnreachable, api } from '@/data/api';
import { saveFile } from '@/ui/files';
import { useKit } from '@/data/useKit';
import { useRows } from '@/data/useRows';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

const CSVS: { resource: CsvResource; name: string }[] = [
  { resource: 'bodies', name: 'Bodies' },
  { resource: 'optics', name: 'Optics' },
  { resource: 'adapters', name: 'Adapters' },
  { resource: 'pictureGroups', name: 'The log' },
];

type Writing = typeof import('@/contract/csv/writeCsv');

const csvBlob = (text: string) => new Blob([text], { type: 'text/csv' });

/** Everything as one file, or the kit as tables; and the templates a table starts from. */
export function TakeOut() {
  const { kit } = useKit();
  const { rows: pictureGroups } = useRows('pictureGroups');
  const rows = { bodies: kit.bodies, optics: kit.optics, adapters: kit.adapters, pictureGroups };
  const [problem, setProblem] = useState<string | null>(null);
  const whole = async () => {
    setProblem(null);
    try {
      saveFile(`jauge-${new Date().toISOString().slice(0, 10)}.json`, await api.exportData());
    } catch (error) {
      if (!(error instanceof ApiRefusal) && !(error instanceof ApiUnreachable)) throw error;
      setProblem('The server cannot be reached. Start it again, then try again.');
    }
  };
  const save = async (name: string, csvOf: (writing: Writing) => string) => {
    setProblem(null);
    const part = await partOrNull(() => import('@/contract/csv/writeCsv'));
    if (part) saveFile(name, csvBlob(csvOf(part)));
    else setProblem(MISSING_PART);
  };
  const table = (resource: CsvResource) =>
    save(`jauge-${resource}.csv`, ({ writeCsv }) => writeCsv(resource, rows[resource]));
  const template = (resource: CsvResource) =>
    save(`jauge-template-${resource}.csv`, ({ writeCsv }) => writeCsv(resource, CSV_EXAMPLES[resource]));
  return (
    <View style={{ gap: space.page }}>
      <View style={{ gap: space.small }}>
        <Key title="Everything, as JSON" icon="download" onPress={() => void whole()} />
        <Txt kind="small" tone="soft">
          Kit, set-ups, subjects, outputs and the Book in one file that can be brought back in.
        </Txt>
        {problem ? (
          <Txt tone="needle" role="alert">
            {problem}
          </Txt>
        ) : null}
      </View>
      {CSVS.map(({ resource, name }) => (
        <View key={resource} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
          <Key
            title={`${name}, as CSV`}
            icon="download"
            onPress={() => void table(resource)}
            disabled={rows[resource].length === 0}
            why="none in the kit"
          />
          <Key
            title={`Template for ${name.toLowerCase()}`}
            icon="description"
            weight="plain"
            onPress={() => void template(resource)}
          />
        </View>
      ))}
      <Txt kind="small" tone="soft">
        A template has the header and example lines: overwrite them. CSV holds no modes, windows or set-ups; JSON does.
      </Txt>
    </View>
  );
}
