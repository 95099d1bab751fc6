import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';
import { RESOURCE_NAMES, columnsOf, type ResourceName } from '@/contract/resources';

/** A row as it lies in the database. `data` is the validated JSON of its resource. */
export interface RowAttributes {
  id: string;
  version: number;
  data: string;
  createdAt: string;
  updatedAt: string;
  /** Of contents, version and times (database/rowChecksum). */
  checksum: string;
  /** A column that repeats a field of `data`, for an index or a foreign key. */
  [column: string]: string | number | null;
}

export type RowModel = ModelStatic<Model<RowAttributes>>;

/** One part of a set-up's chain: the foreign keys behind the ids in its JSON. */
export interface SetupPartAttributes {
  setupId: string;
  position: number;
  opticId: string | null;
  adapterId: string | null;
}

/** What a change sent with a key was answered, so that the same one sent again is answered alike and done once. */
export interface AnswerAttributes {
  key: string;
  /** What was asked, as a fingerprint: a key holds for one request. */
  request: string;
  body: string;
  madeAt: string;
}

/** The version a deleted row had, so that a row restored under its id goes on counting and a stale write stays stale. */
export interface TombstoneAttributes {
  id: string;
  version: number;
}

/** A paired device, with the hash of its secret. */
export interface DeviceAttributes {
  id: string;
  name: string;
  secretHash: string;
  pairedAt: string;
  lastSeenAt: string;
  /** What it may do beyond its own changes: `manage`, or nothing. */
  rights: string;
}

export interface Tables {
  rows: Record<ResourceName, RowModel>;
  setupParts: ModelStatic<Model<SetupPartAttributes>>;
  tombstones: ModelStatic<Model<TombstoneAttributes>>;
  answers: ModelStatic<Model<AnswerAttributes>>;
  devices: ModelStatic<Model<DeviceAttributes>>;
}

const common = {
  id: { type: DataTypes.TEXT, primaryKey: true },
  version: { type: DataTypes.INTEGER, allowNull: false },
  data: { type: DataTypes.TEXT, allowNull: false },
  createdAt: { type: DataTypes.TEXT, allowNull: false, field: 'created_at' },
  updatedAt: { type: DataTypes.TEXT, allowNull: false, field: 'updated_at' },
  checksum: { type: DataTypes.TEXT, allowNull: false },
};

const extraColumns = (name: ResourceName) =>
  Object.fromEntries(
    Object.entries(columnsOf(name)).map(([field, column]) => [
      field,
      { type: DataTypes[column.type], allowNull: column.optional ?? false, field: column.name },
    ]),
  );

/** Binds the models to a connection. The tables themselves are made by the migrations. */
export function defineTables(sequelize: Sequelize): Tables {
  const table = (name: ResourceName): RowModel =>
    sequelize.define<Model<RowAttributes>>(
      name,
      { ...common, ...extraColumns(name) },
      { tableName: name, timestamps: false },
    );
  return {
    rows: Object.fromEntries(RESOURCE_NAMES.map((name) => [name, table(name)])) as Record<ResourceName, RowModel>,
    setupParts: sequelize.define<Model<SetupPartAttributes>>(
      'setupParts',
      {
        setupId: { type: DataTypes.TEXT, primaryKey: true, field: 'setup_id' },
        position: { type: DataTypes.INTEGER, primaryKey: true },
        opticId: { type: DataTypes.TEXT, allowNull: true, field: 'optic_id' },
        adapterId: { type: DataTypes.TEXT, allowNull: true, field: 'adapter_id' },
      },
      { tableName: 'setup_parts', timestamps: false },
    ),
    tombstones: sequelize.define<Model<TombstoneAttributes>>(
      'tombstones',
      { id: { type: DataTypes.TEXT, primaryKey: true }, version: { type: DataTypes.INTEGER, allowNull: false } },
      { tableName: 'tombstones', timestamps: false },
    ),
    answers: sequelize.define<Model<AnswerAttributes>>(
      'answers',
      {
        key: { type: DataTypes.TEXT, primaryKey: true },
        request: { type: DataTypes.TEXT, allowNull: false },
        body: { type: DataTypes.TEXT, allowNull: false },
        madeAt: { type: DataTypes.TEXT, allowNull: false, field: 'made_at' },
      },
      { tableName: 'answers', timestamps: false },
    ),
    devices: sequelize.define<Model<DeviceAttributes>>(
      'devices',
      {
        id: { type: DataTypes.TEXT, primaryKey: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        secretHash: { type: DataTypes.TEXT, allowNull: false, field: 'secret_hash' },
        pairedAt: { type: DataTypes.TEXT, allowNull: false, field: 'paired_at' },
        lastSeenAt: { type: DataTypes.TEXT, allowNull: false, field: 'last_seen_at' },
        rights: { type: DataTypes.TEXT, allowNull: false },
      },
      { tableName: 'devices', timestamps: false },
    ),
  };
}
