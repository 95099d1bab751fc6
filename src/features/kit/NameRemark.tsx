import { useWatch } from 'react-hook-form';
import { useKit } from '@/data/useKit';
import type { PartResource } from '@/data/whereUsed';
import { Txt } from '@/ui/Txt';

const sameName = (a: string, b: string): boolean =>
  a.trim().localeCompare(b.trim(), undefined, { sensitivity: 'base' }) === 0;

/** Says that another part has the name being typed; it may be saved all the same. */
export function NameRemark({ resource, id }: { resource: PartResource; id: string | null }) {
  const { kit } = useKit();
  const name: unknown = useWatch({ name: 'name' });
  if (typeof name !== 'string' || name.trim() === '') return null;
  const rows: readonly { id: string; data: { name: string } }[] = kit[resource];
  return rows.some((row) => row.id !== id && sameName(row.data.name, name)) ? (
    <Txt kind="small" tone="caution" role="status">
      {`⚠ Another part is called “${name.trim()}” too: in lists and levers the two cannot be told apart.`}
    </Txt>
  ) : null;
}
