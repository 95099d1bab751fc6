import type { Kit } from '@/data/situation';
import { replaceRow } from '@/data/rowActions';
import { partsName } from './setupName';

/** A part has another name: set-ups that are named after their parts follow. */
export function renameSetups(kit: Kit, partId: string, name: string): void {
  const renamed = <R extends { id: string; data: { name: string } }>(rows: R[]): R[] =>
    rows.map((row) => (row.id === partId ? { ...row, data: { ...row.data, name } } : row));
  const after = { bodies: renamed(kit.bodies), optics: renamed(kit.optics), adapters: renamed(kit.adapters) };
  for (const row of kit.setups) {
    const { bodyId, chain, namedAfterParts } = row.data;
    if (!namedAfterParts || (bodyId !== partId && !chain.some((link) => link.id === partId))) continue;
    replaceRow('setups', row, { ...row.data, name: partsName(row.data, after) });
  }
}
