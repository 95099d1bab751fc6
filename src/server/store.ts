import { Mutex } from 'async-mutex';
import { Op, Transaction, type Model } from 'sequelize';
import type { Page, ResourceName, ResourceTypes, Stored } from '@/contract/resources';
import { RESOURCE_NOUNS } from '@/contract/resources';
import { summary } from '@/contract/fieldErrors';
import { validateResource } from '@/contract/validate';
import type { Database } from './database';
import type { RowAttributes } from './models/tables';
import { HttpProblem } from './problems';

/** The rows of all resources, with their rules: validated, versioned, one transaction per change. */
export interface Store {
  list<N extends ResourceName>(name: N, limit: number, offset: number): Promise<Page<ResourceTypes[N]>>;
  get<N extends ResourceName>(name: N, id: string): Promise<Stored<ResourceTypes[N]>>;
  create<N extends ResourceName>(name: N, id: string, data: unknown): Promise<Stored<ResourceTypes[N]>>;
  replace<N extends ResourceName>(name: N, id: string, version: number, data: unknown): Promise<Stored<ResourceTypes[N]>>;
  remove(name: ResourceName, id: string, version: number): Promise<void>;
}

const stored = <T>(model: Model<RowAttributes>): Stored<T> => {
  const { id, version, createdAt, updatedAt, data } = model.get();
  return { id, version, createdAt, updatedAt, data: JSON.parse(data) as T };
};

function checked<N extends ResourceName>(name: N, data: unknown): ResourceTypes[N] {
  const result = validateResource(name, data);
  if (result.ok) return result.value;
  throw new HttpProblem(422, 'data.invalid', `Not a valid ${RESOURCE_NOUNS[name]}`, summary(result.errors), { errors: result.errors });
}

/** Builds the store on an open database. `now` gives the time of a change. */
export function createStore({ sequelize, tables }: Database, now: () => Date = () => new Date()): Store {
  // SQLite takes one writer at a time; queueing here keeps writers from meeting a busy database.
  const writing = new Mutex();
  const write = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> =>
    writing.runExclusive(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work));

  const missing = (name: ResourceName, id: string) =>
    new HttpProblem(404, 'row.notFound', `No such ${RESOURCE_NOUNS[name]}`, `There is no ${RESOURCE_NOUNS[name]} with the id ${id}. It may have been deleted.`);

  async function current(name: ResourceName, id: string, version: number, yours: unknown, transaction: Transaction) {
    const row = await tables.rows[name].findByPk(id, { transaction });
    if (!row) throw missing(name, id);
    if (row.get('version') !== version) {
      throw new HttpProblem(
        409,
        'version.stale',
        'Changed elsewhere',
        `This ${RESOURCE_NOUNS[name]} was changed elsewhere since you opened it. Choose which of the two to keep.`,
        { stored: stored(row), ...(yours === undefined ? {} : { yours }) },
      );
    }
    return row;
  }

  /** Refuses references to rows that do not exist, naming the field; the foreign keys stand behind this. */
  async function checkReferences(name: ResourceName, data: unknown, transaction: Transaction): Promise<void> {
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
      if ((await tables.rows[resource].count({ where: { id }, transaction })) > 0) continue;
      const message = `This set-up refers to ${RESOURCE_NOUNS[resource] === 'body' ? 'a' : 'an'} ${RESOURCE_NOUNS[resource]} that does not exist (any more). Choose another one.`;
      throw new HttpProblem(422, 'reference.missing', 'Refers to something missing', message, { errors: [{ path, message }] });
    }
  }

  const columnsOf = (name: ResourceName, data: unknown): Partial<RowAttributes> => {
    if (name === 'setups') return { bodyId: (data as ResourceTypes['setups']).bodyId };
    if (name === 'readings') return { takenAt: (data as ResourceTypes['readings']).takenAt };
    return {};
  };

  async function writeParts(name: ResourceName, id: string, data: unknown, transaction: Transaction): Promise<void> {
    if (name !== 'setups') return;
    await tables.setupParts.destroy({ where: { setupId: id }, transaction });
    await tables.setupParts.bulkCreate(
      (data as ResourceTypes['setups']).chain.map((part, position) => ({
        setupId: id,
        position,
        opticId: part.type === 'optic' ? part.id : null,
        adapterId: part.type === 'adapter' ? part.id : null,
      })),
      { transaction },
    );
  }

  async function usersOf(name: ResourceName, id: string, transaction: Transaction) {
    let ids: string[] = [];
    if (name === 'bodies') {
      ids = (await tables.rows.setups.findAll({ where: { bodyId: id }, transaction })).map((row) => row.get('id') as string);
    } else if (name === 'optics' || name === 'adapters') {
      const where = name === 'optics' ? { opticId: id } : { adapterId: id };
      ids = (await tables.setupParts.findAll({ where, transaction })).map((row) => row.get('setupId') as string);
    }
    const users = await tables.rows.setups.findAll({ where: { id: { [Op.in]: ids } }, transaction });
    return users.map((row) => ({ resource: 'setups', id: row.get('id') as string, name: stored<{ name: string }>(row).data.name }));
  }

  return {
    async list<N extends ResourceName>(name: N, limit: number, offset: number) {
      const order: [string, string][] = name === 'readings' ? [['takenAt', 'DESC'], ['id', 'ASC']] : [['createdAt', 'ASC'], ['id', 'ASC']];
      const { rows, count } = await tables.rows[name].findAndCountAll({ limit, offset, order });
      return { items: rows.map((row) => stored<ResourceTypes[N]>(row)), total: count, limit, offset };
    },

    async get<N extends ResourceName>(name: N, id: string) {
      const row = await tables.rows[name].findByPk(id);
      if (!row) throw missing(name, id);
      return stored<ResourceTypes[N]>(row);
    },

    create<N extends ResourceName>(name: N, id: string, data: unknown) {
      const valid = checked(name, data);
      return write(async (transaction) => {
        const existing = await tables.rows[name].findByPk(id, { transaction });
        if (existing) {
          // The same row sent again, after an answer that was lost on the way, is not an error.
          if (existing.get('data') === JSON.stringify(valid)) return stored<ResourceTypes[N]>(existing);
          throw new HttpProblem(409, 'row.exists', 'Exists already', `There is already a ${RESOURCE_NOUNS[name]} with this id.`, {
            stored: stored(existing),
            yours: valid,
          });
        }
        await checkReferences(name, valid, transaction);
        const tombstone = await tables.tombstones.findByPk(id, { transaction });
        const time = now().toISOString();
        const row = await tables.rows[name].create(
          {
            id,
            version: ((tombstone?.get('version') as number | undefined) ?? 0) + 1,
            data: JSON.stringify(valid),
            createdAt: time,
            updatedAt: time,
            ...columnsOf(name, valid),
          },
          { transaction },
        );
        await writeParts(name, id, valid, transaction);
        if (tombstone) await tombstone.destroy({ transaction });
        return stored<ResourceTypes[N]>(row);
      });
    },

    replace<N extends ResourceName>(name: N, id: string, version: number, data: unknown) {
      const valid = checked(name, data);
      return write(async (transaction) => {
        const row = await current(name, id, version, valid, transaction);
        await checkReferences(name, valid, transaction);
        await row.update(
          { version: version + 1, data: JSON.stringify(valid), updatedAt: now().toISOString(), ...columnsOf(name, valid) },
          { transaction },
        );
        await writeParts(name, id, valid, transaction);
        return stored<ResourceTypes[N]>(row);
      });
    },

    remove(name: ResourceName, id: string, version: number) {
      return write(async (transaction) => {
        const row = await current(name, id, version, undefined, transaction);
        const usedBy = await usersOf(name, id, transaction);
        if (usedBy.length) {
          throw new HttpProblem(
            409,
            'row.inUse',
            'Still in use',
            `This ${RESOURCE_NOUNS[name]} is used by ${usedBy.map((user) => `“${user.name}”`).join(', ')}. Change or delete ${usedBy.length > 1 ? 'these' : 'that'} first.`,
            { usedBy },
          );
        }
        await row.destroy({ transaction });
        await tables.tombstones.upsert({ id, version }, { transaction });
      });
    },
  };
}
