import path from 'node:path';
import { QueryTypes } from 'sequelize';
import type { DamagedReport, Soundness } from '@/contract/soundness';
import { columnValues, columnsOf, nounOf, type ResourceName, type ResourceTypes } from '@/contract/resources';
import { nextVersion } from '@/contract/wholeData';
import { partsOf } from '../setupParts';
import { HttpProblem } from '../problems';
import { backupFolder, listBackups } from './backups';
import { checkContents, hasColumn, rowFault, type ContentFaults } from './contentCheck';
import type { Database } from './openDatabase';
import { openRaw } from './raw';
import { contentHash, rowChecksum } from './rowChecksum';

/** What is known of the soundness of a file, and what can be made good. */
export interface SoundnessWatch {
  /** Looks through the file now; told again to everyone who asks while it runs. */
  check: () => Promise<ContentFaults>;
  /** Takes what another look found. */
  note: (faults: ContentFaults) => void;
  /** Notes something else a person must hear of: a draft that was set aside. */
  remark: (text: string) => void;
  /** What is known now, each damaged row with the newest backup that has it intact. */
  report: () => Promise<Soundness>;
  /** Puts a damaged row back as the newest backup has it intact. */
  repair: (resource: ResourceName, id: string) => Promise<void>;
}

interface Intact {
  backup: string;
  madeAt: string;
  data: unknown;
}

/** The newest backup in which a row is intact. */
async function intactIn(file: string, resource: ResourceName, id: string): Promise<Intact | null> {
  for (const { name, madeAt } of listBackups(file)) {
    try {
      const raw = await openRaw(path.join(backupFolder(file), name));
      try {
        const [row] = await raw.all<Parameters<typeof rowFault>[1]>(`SELECT * FROM ${resource} WHERE id = ?`, id);
        if (!row) continue;
        if ((await hasColumn(raw, resource, 'checksum')) && rowFault(resource, row) !== null) continue;
        return { backup: name, madeAt, data: JSON.parse(row.data) as unknown };
      } finally {
        await raw.close();
      }
    } catch {
      // A backup that is damaged itself has nothing to offer; an older one may.
    }
  }
  return null;
}

const nameOf = (data: unknown): string | null => {
  const { name, setupName, subjectName } = (data ?? {}) as Record<string, unknown>;
  return [name, setupName, subjectName].find((each): each is string => typeof each === 'string') ?? null;
};

export function watchSoundness(
  database: Omit<Database, 'soundness'>,
  now: () => Date = () => new Date(),
): SoundnessWatch {
  const { file, writer, queue, together } = database;
  let known: { at: string; faults: ContentFaults } | null = null;
  let running: Promise<ContentFaults> | null = null;
  let rows = 0;
  const remarks: string[] = [];
  const note = (faults: ContentFaults) => {
    known = { at: now().toISOString(), faults };
  };
  const check = () =>
    (running ??= checkContents(file, (looked) => {
      rows = looked;
    })
      .then((faults) => {
        note(faults);
        return faults;
      })
      .finally(() => {
        running = null;
      }));

  async function damagedReport({ resource, id, how }: ContentFaults['damaged'][number]): Promise<DamagedReport> {
    const intact = await intactIn(file, resource, id);
    const name = intact ? nameOf(intact.data) : null;
    return {
      resource,
      id,
      noun: nounOf(resource),
      how,
      ...(name === null ? {} : { name }),
      ...(intact ? { intact: { backup: intact.backup, madeAt: intact.madeAt, data: intact.data } } : {}),
    };
  }

  async function repair(resource: ResourceName, id: string): Promise<void> {
    const intact = await intactIn(file, resource, id);
    if (!intact)
      throw new HttpProblem(
        404,
        'row.noIntactCopy',
        'No intact copy',
        `No backup holds this ${nounOf(resource)} intact. Change or delete it, or restore a whole backup.`,
      );
    const data = intact.data as ResourceTypes[ResourceName];
    await queue(() =>
      together(async () => {
        const [there] = await writer.query<{ version: number }>(`SELECT version FROM ${resource} WHERE id = $id`, {
          bind: { id },
          type: QueryTypes.SELECT,
        });
        if (!there) throw new HttpProblem(404, 'row.notFound', 'Not there', 'This row is not there any more.');
        const time = now().toISOString();
        const stamp = {
          version: nextVersion(Number.isSafeInteger(there.version) && there.version > 0 ? there.version : 1),
          createdAt: time,
          updatedAt: time,
        };
        const columns = Object.entries(columnsOf(resource)).map(([field, { name }]) => [field, name] as const);
        const values = columnValues(resource, data);
        await writer.query(
          `UPDATE ${resource} SET version = $version, data = $data, created_at = $createdAt, updated_at = $updatedAt, checksum = $checksum${columns
            .map(([field, name]) => `, ${name} = $${field}`)
            .join('')} WHERE id = $id`,
          {
            bind: {
              id,
              ...stamp,
              data: JSON.stringify(data),
              checksum: rowChecksum(contentHash(resource, id, data), stamp),
              ...values,
            },
          },
        );
        if (resource !== 'setups') return;
        await database.write.setupParts.destroy({ where: { setupId: id } });
        await database.write.setupParts.bulkCreate(partsOf(id, data as ResourceTypes['setups']));
      }),
    );
    if (known)
      known = {
        at: known.at,
        faults: {
          ...known.faults,
          damaged: known.faults.damaged.filter((each) => each.resource !== resource || each.id !== id),
        },
      };
  }

  return {
    check,
    note,
    remark: (text) => remarks.push(text),
    report: async () => ({
      checkedAt: known?.at ?? null,
      running: running !== null,
      rows: running ? rows : (known?.faults.rows ?? 0),
      damaged: await Promise.all((known?.faults.damaged ?? []).slice(0, 50).map(damagedReport)),
      structure: known?.faults.structure ?? [],
      remarks,
    }),
    repair,
  };
}
