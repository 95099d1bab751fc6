import { adapterSchema, type Adapter } from './schemas/adapter';
import { bodySchema, type Body } from './schemas/body';
import { opticSchema, type Optic } from './schemas/optic';
import { outputSchema, type Output } from './schemas/output';
import { ratioSchema, type Ratio } from './schemas/ratio';
import { readingSchema, type Reading } from './schemas/reading';
import { setupSchema, type Setup } from './schemas/setup';
import { starTestSchema, type StarTest } from './schemas/starTest';
import { subjectSchema, type Subject } from './schemas/subject';

/** What the server keeps, by the name in its URL. */
export interface ResourceTypes {
  bodies: Body;
  optics: Optic;
  adapters: Adapter;
  setups: Setup;
  subjects: Subject;
  outputs: Output;
  readings: Reading;
  ratios: Ratio;
  starTests: StarTest;
}

export type ResourceName = keyof ResourceTypes;

/** A row as the API gives it. `version` counts its changes from 1. */
export interface Stored<T> {
  id: string;
  version: number;
  createdAt: string;
  updatedAt: string;
  data: T;
}

export type StoredOf<N extends ResourceName> = Stored<ResourceTypes[N]>;

/** One page of a list, in the order rows were made, readings newest first. */
export interface Page<T> {
  items: Stored<T>[];
  total: number;
  limit: number;
  offset: number;
}

export const RESOURCE_SCHEMAS = {
  bodies: bodySchema,
  optics: opticSchema,
  adapters: adapterSchema,
  setups: setupSchema,
  subjects: subjectSchema,
  outputs: outputSchema,
  readings: readingSchema,
  ratios: ratioSchema,
  starTests: starTestSchema,
} as const;

/** What a person calls one row of each. */
export const RESOURCE_NOUNS: Record<ResourceName, string> = {
  bodies: 'body',
  optics: 'optic',
  adapters: 'adapter',
  setups: 'set-up',
  subjects: 'subject',
  outputs: 'output',
  readings: 'reading',
  ratios: 'measured ratio',
  starTests: 'star test',
};

export const RESOURCE_NAMES = Object.keys(RESOURCE_SCHEMAS) as ResourceName[];
