import { fieldErrors } from './fieldErrors';
import * as validators from './generated/validators';
import type { FieldError } from './problem';
import { RESOURCE_SCHEMAS, type ResourceName, type ResourceTypes } from './resources';
import { farInputSchema, type FarInputData } from './schemas/farInput';

const SCHEMAS_BY_ID: Record<string, object> = Object.fromEntries(
  [...Object.values(RESOURCE_SCHEMAS), farInputSchema].map((schema) => [schema.$id, schema]),
);

export type Checked<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Things the schemas cannot say: ends of a zoom in the wrong order. */
function crossChecks(name: ResourceName, data: unknown): FieldError[] {
  if (name !== 'optics') return [];
  const lens = data as ResourceTypes['optics'];
  return lens.focalTeleMm < lens.focalWideMm
    ? [{ path: 'focalTeleMm', message: 'Longest focal length in mm must not be less than the shortest.' }]
    : [];
}

/** Checks what is to be kept under a resource's name; the messages are for people. */
export function validateResource<N extends ResourceName>(name: N, data: unknown): Checked<ResourceTypes[N]> {
  const validate = validators[name];
  if (!validate(data)) return { ok: false, errors: fieldErrors(RESOURCE_SCHEMAS[name], validate.errors, SCHEMAS_BY_ID) };
  const errors = crossChecks(name, data);
  return errors.length ? { ok: false, errors } : { ok: true, value: data as ResourceTypes[N] };
}

/** Checks the input of a Far reading, as the command line takes it. */
export function validateFarInput(data: unknown): Checked<FarInputData> {
  return validators.farInput(data)
    ? { ok: true, value: data }
    : { ok: false, errors: fieldErrors(farInputSchema, validators.farInput.errors, SCHEMAS_BY_ID) };
}
