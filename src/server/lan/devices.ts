import crypto from 'node:crypto';
import type { Model } from 'sequelize';
import { LONGEST_DEVICE_NAME, type DeviceRights, type PairedDevice } from '@/contract/lan';
import type { Database } from '../database/openDatabase';
import type { DeviceAttributes } from '../models/tables';
import { HttpProblem } from '../problems';
import { sameText } from './pairing';

const SECRET_BYTES = 32;
/** “Last seen” is noted no oftener, ms: not every question is a write. */
const NOTE_EVERY_MS = 60_000;

/** The paired devices: added, recognised by what they bring, renamed, revoked. */
export interface Devices {
  /** Adds a device and gives what it shall bring from now on; nobody can read that again. */
  add: (name: string) => Promise<string>;
  /** The device whose secret was brought, if it is still paired. */
  recognise: (brought: string | undefined) => Promise<PairedDevice | null>;
  list: () => Promise<PairedDevice[]>;
  rename: (id: string, name: string) => Promise<PairedDevice>;
  /** Lets a device do more than its own changes, or no more. */
  allow: (id: string, rights: DeviceRights) => Promise<PairedDevice>;
  revoke: (id: string) => Promise<void>;
}

/** What a device brings: its id and its secret. Anything else is no question for the database. */
const BROUGHT = /^([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\.([\w-]{40,60})$/;

const hashOf = (secret: string): string => crypto.createHash('sha256').update(secret).digest('hex');

const told = (row: Model<DeviceAttributes>): PairedDevice => {
  const { id, name, pairedAt, lastSeenAt, rights } = row.get();
  return { id, name, pairedAt, lastSeenAt, rights: rights === 'manage' ? 'manage' : '' };
};

const unknown = (): HttpProblem =>
  new HttpProblem(
    404,
    'device.unknown',
    'No such device',
    'This device is not paired (any more). Load the list again.',
  );

/**
 * A name as it is kept.
 *
 * @throws HttpProblem `name.invalid`
 */
export function deviceName(text: unknown): string {
  const name = typeof text === 'string' ? text.replace(/\s+/g, ' ').trim() : '';
  if (name === '' || name.length > LONGEST_DEVICE_NAME || /\p{C}/u.test(name))
    throw new HttpProblem(
      422,
      'name.invalid',
      'Not a name',
      `Give the device a name of at most ${LONGEST_DEVICE_NAME} letters.`,
    );
  return name;
}

export function createDevices({ read, write, queue }: Database, now: () => Date = () => new Date()): Devices {
  const found = async (id: string) => {
    const row = await write.devices.findByPk(id);
    if (!row) throw unknown();
    return row;
  };
  const seen = async (row: Model<DeviceAttributes>) => {
    const time = now();
    if (time.getTime() - Date.parse(row.get().lastSeenAt) < NOTE_EVERY_MS) return;
    const { id } = row.get();
    await queue(() => write.devices.update({ lastSeenAt: time.toISOString() }, { where: { id } }));
  };
  return {
    async add(name) {
      const id = crypto.randomUUID();
      const secret = crypto.randomBytes(SECRET_BYTES).toString('base64url');
      const time = now().toISOString();
      await queue(() =>
        write.devices.create({ id, name, secretHash: hashOf(secret), pairedAt: time, lastSeenAt: time, rights: '' }),
      );
      return `${id}.${secret}`;
    },

    async recognise(brought) {
      const [, id, secret] = BROUGHT.exec(brought ?? '') ?? [];
      if (!id || !secret) return null;
      const row = await read.devices.findByPk(id);
      if (!row || !sameText(hashOf(secret), row.get().secretHash)) return null;
      await seen(row);
      return told(row);
    },

    list: async () => (await read.devices.findAll({ order: [['lastSeenAt', 'DESC']] })).map(told),

    rename: (id, name) =>
      queue(async () => {
        const row = await found(id);
        await row.update({ name });
        return told(row);
      }),

    allow: (id, rights) =>
      queue(async () => {
        const row = await found(id);
        await row.update({ rights });
        return told(row);
      }),

    revoke: (id) =>
      queue(async () => {
        const row = await found(id);
        await row.destroy();
      }),
  };
}
