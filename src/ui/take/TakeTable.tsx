import { saveFile } from '../files';
import { TakeKeys } from './TakeKeys';
import { useTableFacts, type TableFacts } from './tableFacts';

interface Props {
  title: string;
  heads: readonly string[];
  rows: readonly (readonly string[])[];
  /** What holds for all of it, beside what holds for the page: a column each. */
  facts?: TableFacts | undefined;
}

/** A small key below a table that takes it along as CSV. */
export function TakeTable({ title, heads, rows, facts }: Props) {
  const around = useTableFacts();
  const take = async () => {
    const [{ tableCsv }, { fileName }] = await Promise.all([import('./tableCsv'), import('./files')]);
    saveFile(fileName(title, 'csv'), new Blob([tableCsv(heads, rows, { ...around, ...facts })], { type: 'text/csv' }));
  };
  return <TakeKeys what={title} kinds={['CSV']} onTake={take} />;
}
