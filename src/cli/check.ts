import Ajv from 'ajv';
import { ALL_SCHEMAS } from '@/contract/allSchemas';
import { fieldErrors } from '@/contract/fieldErrors';
import type { FieldError } from '@/contract/problem';
import { checksWithin } from '@/contract/validate';

const BY_ID: Record<string, object> = Object.fromEntries(ALL_SCHEMAS.map((schema) => [schema.$id, schema]));

const ajv = new Ajv({
  allErrors: true,
  discriminator: true,
  strictRequired: false,
  schemas: Object.values(BY_ID),
  // What is compiled checks a few inputs: tightening it takes longer than it saves.
  code: { optimize: false },
});

/** What is wrong with an input, in words; nothing when it fits its desk's schema. */
export function faultsOf(schema: object, data: unknown): FieldError[] {
  // Compiled once for a schema: the package remembers it.
  const validate = ajv.compile(schema);
  return validate(data) ? checksWithin(data) : fieldErrors(schema, validate.errors, BY_ID);
}
