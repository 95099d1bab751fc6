import { Op, type Model } from 'sequelize';
import type { Page, ResourceName, ResourceTypes, Stored } from '@/contract/resources';
import { columnValues, nounOf } from '@/contract/resources';
import { summary } from '@/contract/fieldErrors';
import { validateResource } from '@/contract/validate';
import type { ReadingsSought } from '@/contract/readingsSought';
import { nextVersion } from '@/contract/wholeData';
import type { Database } from './database/openDatabase';
import { cursorOf, type After } from './database/pageCursor';
import { contentHash, rowChecksum } from './database/rowChecksum';
import type { RowAttributes } from './models/tables';
import { HttpProblem } from './problems';
import { partsOf } from './setupParts';

/** A change sent with a key: sent again, it is answered as the first time and done once. */
export interface SentOnce {
  key: string;
  /** What is asked, as a fingerprint: a key holds for one request. Worked out once the request was found to be valid. */
  request: () => string;
  /** Told when it was done before and is only answered again. */
  onRepeated?: () => void;
}

/** The rows of all resources, with their rules: validated, versioned, one transaction per change. */
export interface Store {
  list<N extends ResourceName>(name: N, limit: number, offset: number): Promise<Page<ResourceTypes[N]>>;
  /** The same page as JSON in UTF-8, ready to be sent. */
  listJson(name: ResourceName, limit: number, offset: number, sought?: ReadingsSought, after?: After): Promise<Buffer>;
  get<N extends ResourceName>(name: N, id: string): Promise<Stored<ResourceTypes[N]>>;
  create<N extends ResourceName>(
    name: N,
    id: string,
    data: unknown,
    sent?: SentOnce,
  ): Promise<Stored<ResourceTypes[N]>>;
  replace<N extends ResourceName>(
    name: N,
    id: string,
    version: number,
    data: unknown,
    sent?: SentOnce,
  ): Promise<Stored<ResourceTypes[N]>>;
  remove(name: ResourceName, id: string, version: number, sent?: SentOnce): Promise<void>;
}

const stored = <T>(model: Model<RowAttributes>): Stored<T> => {
  const { id, version, createdAt, updatedAt, data } = model.get();
  return { id, version, createdAt, updatedAt, data: parsed(data) as T };
};

/** Data that a fault of the disk changed is given as the text it is, like in lists. */
function parsed(data: string): unknown {
  try {
    return JSON.parse(data) as unknown;
  } catch {
    return { unreadable: data };
  }
}

function checked<N extends ResourceName>(name: N, data: unknown): ResourceTypes[N] {
  const result = validateResource(name, data);
  if (result.ok) return result.value;
  throw new HttpProblem(422, 'data.invalid', `Not a valid ${nounOf(name)}`, summary(result.errors), {
    errors: result.errors,
  });
}

const missingReference = (path: string, message: string) =>
  new HttpProblem(422, 'reference.missing', 'Refers to something missing', message, { errors: [{ path, message }] });

const hasMode = (body: ResourceTypes['bodies'], modeId: string): boolean =>
  modeId === 'whole' || body.cropModes.some((mode) => mode.id === modeId);

/** Builds the store on an open database. `now` gives the time of a change. */
export function createStore(
  { read, write, queue, together, trace, page }: Database,
  now: () => Date = () => new Date(),
): Store {
  const missing = (name: ResourceName, id: string) =>
    new HttpProblem(
      404,
      'row.notFound',
      `No such ${nounOf(name)}`,
      `There is no ${nounOf(name)} with the id ${id}. It may have been deleted.`,
    );

  async function current(name: ResourceName, id: string, version: number, yours: unknown) {
    const row = await write.rows[name].findByPk(id);
    if (!row) throw missing(name, id);
    if (row.get('version') !== version) {
      throw new HttpProblem(
        409,
        'version.stale',
        'Changed elsewhere',
        `This ${nounOf(name)} was changed elsewhere since you opened it. Choose which of the two to keep.`,
        { stored: stored(row), ...(yours === undefined ? {} : { yours }) },
      );
    }
    return row;
  }

  /** Refuses references to rows that do not exist, naming the field; the foreign keys stand behind this. */
  async function checkReferences(name: ResourceName, data: unknown): Promise<void> {
    if (name !== 'setups') return;
    const setup = data as ResourceTypes['setups'];
    const wanted = [
      { resource: 'bodies' as const, id: setup.bodyId, path: 'bodyId' },
      ...setup.chain.map((part, i) => ({
        resource: part.type === 'optic' ? ('optics' as const) : ('adapters' as const),
        id: part.id,
        path: `chain.${i}.id`,
      })),
    ];
    for (const { resource, id, path } of wanted) {
      if ((await write.rows[resource].count({ where: { id } })) > 0) continue;
      throw missingReference(
        path,
        `This set-up refers to ${resource === 'bodies' ? 'a' : 'an'} ${nounOf(resource)} that does not exist (any more). Choose another one.`,
      );
    }
    const body = stored<ResourceTypes['bodies']>((await write.rows.bodies.findByPk(setup.bodyId))!).data;
    if (!hasMode(body, setup.modeId))
      throw missingReference(
        'modeId',
        `“${body.name}” has no mode “${setup.modeId}”. Choose one of its own, or the whole sensor.`,
      );
  }

  /** Refuses to take a mode from a body that a set-up still uses. */
  async function checkModesUsed(name: ResourceName, id: string, data: unknown): Promise<void> {
    if (name !== 'bodies') return;
    const body = data as ResourceTypes['bodies'];
    const users = (await write.rows.setups.findAll({ where: { bodyId: id } }))
      .map((row) => stored<ResourceTypes['setups']>(row))
      .filter((row) => !hasMode(body, row.data.modeId));
    if (users.length === 0) return;
    const usedBy = users.map((row) => ({ resource: 'setups', id: row.id, name: row.data.name }));
    throw new HttpProblem(
      409,
      'mode.inUse',
      'Mode still in use',
      `A crop mode that is taken away here is used by ${usedBy.map((user) => `“${user.name}”`).join(', ')}. Give ${usedBy.length > 1 ? 'these' : 'that'} another mode first.`,
      { usedBy },
    );
  }

  async function writeParts(name: ResourceName, id: string, data: unknown): Promise<void> {
    if (name !== 'setups') return;
    await write.setupParts.destroy({ where: { setupId: id } });
    await write.setupParts.bulkCreate(partsOf(id, data as ResourceTypes['setups']));
  }

  async function usersOf(name: ResourceName, id: string) {
    let ids: string[] = [];
    if (name === 'bodies') {
      ids = (await write.rows.setups.findAll({ where: { bodyId: id } })).map((row) => row.get('id') as string);
    } else if (name === 'optics' || name === 'adapters') {
      const where = name === 'optics' ? { opticId: id } : { adapterId: id };
      ids = (await write.setupParts.findAll({ where })).map((row) => row.get('setupId') as string);
    }
    const users = await write.rows.setups.findAll({ where: { id: { [Op.in]: ids } } });
    return users.map((row) => ({
      resource: 'setups',
      id: row.get('id') as string,
      name: stored<{ name: string }>(row).data.name,
    }));
  }

  /** The same row sent again, after an answer that was lost on the way, is not an error; another one is. */
  async function sameOrRefuse<N extends ResourceName>(
    name: N,
    id: string,
    valid: ResourceTypes[N],
  ): Promise<Stored<ResourceTypes[N]>> {
    const existing = await write.rows[name].findByPk(id);
    if (!existing) throw missing(name, id);
    if (existing.get('data') === JSON.stringify(valid)) return stored<ResourceTypes[N]>(existing);
    throw new HttpProblem(409, 'row.exists', 'Exists already', `There is already a ${nounOf(name)} with this id.`, {
      stored: stored(existing),
      yours: valid,
    });
  }

  /** A page as JSON, UTF-8: the rows' own JSON, put together by the database. */
  async function listJson(
    name: ResourceName,
    limit: number,
    offset: number,
    sought?: ReadingsSought,
    from?: After,
  ): Promise<Buffer> {
    const { total, items, after } = await page(name, limit, offset, sought, from);
    const next = after ? `,"next":${JSON.stringify(cursorOf(after))}` : '';
    return Buffer.concat([
      Buffer.from('{"items":['),
      items,
      Buffer.from(`],"total":${total},"limit":${limit},"offset":${offset}${next}}`),
    ]);
  }

  /** Takes a turn for a change, which is done wholly or not at all, and once for its key. */
  function change<T>(sent: SentOnce | undefined, work: () => Promise<T>): Promise<T> {
    return queue(() =>
      together(async () => {
        if (!sent) return work();
        const asked = sent.request();
        const before = await write.answers.findByPk(sent.key);
        if (before) {
          if (before.get('request') !== asked)
            throw new HttpProblem(
              422,
              'key.reused',
              'Key used before',
              'This Idempotency-Key came with another change before. Every change needs a key of its own.',
            );
          sent.onRepeated?.();
          return JSON.parse(before.get('body') as string) as T;
        }
        const result = await work();
        await write.answers.create({
          key: sent.key,
          request: asked,
          body: JSON.stringify(result ?? null),
          madeAt: now().toISOString(),
        });
        return result;
      }),
    );
  }

  return {
    async list<N extends ResourceName>(name: N, limit: number, offset: number) {
      return JSON.parse((await listJson(name, limit, offset)).toString('utf8')) as Page<ResourceTypes[N]>;
    },

    listJson,

    async get<N extends ResourceName>(name: N, id: string) {
      const row = await read.rows[name].findByPk(id);
      if (!row) throw missing(name, id);
      return stored<ResourceTypes[N]>(row);
    },

    create<N extends ResourceName>(name: N, id: string, data: unknown, sent?: SentOnce) {
      const valid = checked(name, data);
      return change(sent, async () => {
        const { exists, deletedVersion } = await trace(name, id);
        if (exists) return sameOrRefuse(name, id, valid);
        await checkReferences(name, valid);
        const time = now().toISOString();
        const row = {
          id,
          version: nextVersion(deletedVersion ?? 0),
          data: JSON.stringify(valid),
          createdAt: time,
          updatedAt: time,
        };
        const checksum = rowChecksum(contentHash(name, id, valid), row);
        await write.rows[name].create({ ...row, checksum, ...columnValues(name, valid) });
        await writeParts(name, id, valid);
        if (deletedVersion !== null) await write.tombstones.destroy({ where: { id } });
        return { ...row, data: valid };
      });
    },

    replace<N extends ResourceName>(name: N, id: string, version: number, data: unknown, sent?: SentOnce) {
      const valid = checked(name, data);
      return change(sent, async () => {
        const row = await current(name, id, version, valid);
        await checkReferences(name, valid);
        await checkModesUsed(name, id, valid);
        const stamp = {
          version: nextVersion(version),
          createdAt: row.get('createdAt') as string,
          updatedAt: now().toISOString(),
        };
        await row.update({
          version: stamp.version,
          data: JSON.stringify(valid),
          updatedAt: stamp.updatedAt,
          checksum: rowChecksum(contentHash(name, id, valid), stamp),
          ...columnValues(name, valid),
        });
        await writeParts(name, id, valid);
        return stored<ResourceTypes[N]>(row);
      });
    },

    async remove(name: ResourceName, id: string, version: number, sent?: SentOnce) {
      await change(sent, async () => {
        const row = await current(name, id, version, undefined);
        const usedBy = await usersOf(name, id);
        if (usedBy.length) {
          throw new HttpProblem(
            409,
            'row.inUse',
            'Still in use',
            `This ${nounOf(name)} is used by ${usedBy.map((user) => `“${user.name}”`).join(', ')}. Change or delete ${usedBy.length > 1 ? 'these' : 'that'} first.`,
            { usedBy },
          );
        }
        await row.destroy();
        await write.tombstones.upsert({ id, version });
        return null;
      });
    },
  };
}
