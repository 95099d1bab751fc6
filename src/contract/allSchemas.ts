import { RESOURCE_SCHEMAS } from './resources';
import { ADAPTER_KIND_SCHEMAS } from './schemas/adapter';
import { farInputSchema } from './schemas/farInput';
import { nearInputSchema } from './schemas/nearInput';
import { planetInputSchema } from './schemas/planetInput';
import { starsInputSchema } from './schemas/starsInput';
import { OPTIC_KIND_SCHEMAS } from './schemas/optic';
import { wholeDataSchema } from './schemas/wholeData';
import { systemInputSchema } from './schemas/systemInput';

/** Every schema that refers to another or is referred to, by its own `$id`. */
export const ALL_SCHEMAS = [
  ...Object.values(OPTIC_KIND_SCHEMAS),
  ...Object.values(ADAPTER_KIND_SCHEMAS),
  ...Object.values(RESOURCE_SCHEMAS),
  farInputSchema,
  nearInputSchema,
  starsInputSchema,
  planetInputSchema,
  systemInputSchema,
  wholeDataSchema,
] as const;
