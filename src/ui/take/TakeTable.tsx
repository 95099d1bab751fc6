import { saveFile } from '../files';
import { TakeKeys } from './TakeKeys';

interface Props {
  title: string;
  heads: readonly string[];
  rows: readonly (readonly string[])[];
}

/** A small key below a table that takes it along as CSV. */
export function TakeTable({ title, heads, rows }: Props) {
  const take = async () => {
    const [{ tableCsv }, { fileName }] = await Promise.all([import('./tableCsv'), import('./files')]);
    saveFile(fileName(title, 'csv'), new Blob([tableCsv(heads, rows)], { type: 'text/csv' }));
  };
  return <TakeKeys what={title} kinds={['CSV']} onTake={take} />;
}
