import { RESOURCES } from './resources';
import { ADAPTER_KIND_SCHEMAS } from './schemas/adapter';
import { farInputSchema } from './schemas/farInput';
import { nearInputSchema } from './schemas/nearInput';
import { planetInputSchema } from './schemas/planetInput';
import { starsInputSchema } from './schemas/starsInput';
import { OPTIC_KIND_SCHEMAS } from './schemas/optic';
import { wholeDataSchema } from './schemas/wholeData';
import { systemInputSchema } from './schemas/systemInput';

/** What is checked besides the rows of the resources: inputs of the command line, and the file of all data. */
export const INPUT_SCHEMAS = {
  farInput: farInputSchema,
  nearInput: nearInputSchema,
  starsInput: starsInputSchema,
  planetInput: planetInputSchema,
  systemInput: systemInputSchema,
  wholeData: wholeDataSchema,
} as const;

/** The schemas of the resources, by name. */
export const RESOURCE_SCHEMAS = Object.fromEntries(
  Object.entries(RESOURCES).map(([name, { schema }]) => [name, schema]),
);

/** Every schema that refers to another or is referred to, by its own `$id`. */
export const ALL_SCHEMAS: readonly { readonly $id: string }[] = [
  ...Object.values(OPTIC_KIND_SCHEMAS),
  ...Object.values(ADAPTER_KIND_SCHEMAS),
  ...Object.values(RESOURCE_SCHEMAS),
  ...Object.values(INPUT_SCHEMAS),
];
