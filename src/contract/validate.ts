import type { ValidateFunction } from 'ajv';
import { fieldErrors } from './fieldErrors';
import * as validators from './generated/validators';
import type { FieldError } from './problem';
import { RESOURCE_SCHEMAS, type ResourceName, type ResourceTypes } from './resources';
import { ALL_SCHEMAS } from './allSchemas';
import { farInputSchema, type FarInputData } from './schemas/farInput';
import { nearInputSchema, type NearInputData } from './schemas/nearInput';
import { planetInputSchema, type PlanetInputData } from './schemas/planetInput';
import { starsInputSchema, type StarsInputData } from './schemas/starsInput';
import { wholeDataSchema } from './schemas/wholeData';
import { TRANSFER_ORDER, type WholeData } from './wholeData';
import { systemInputSchema, type SystemInputData } from './schemas/systemInput';

const SCHEMAS_BY_ID: Record<string, object> = Object.fromEntries(ALL_SCHEMAS.map((schema) => [schema.$id, schema]));

export type Checked<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Things the schemas cannot say: ends of a range in the wrong order, tubes that are not in the set. */
function crossChecks(name: ResourceName, data: unknown): FieldError[] {
  if (name === 'optics') {
    const optic = data as ResourceTypes['optics'];
    if ((optic.kind === 'lens' || optic.kind === 'builtIn') && optic.focalTeleMm < optic.focalWideMm) {
      return [{ path: 'focalTeleMm', message: 'Longest focal length in mm must not be less than the shortest.' }];
    }
    if (optic.kind === 'scope' && optic.magnificationHigh < optic.magnificationLow) {
      return [{ path: 'magnificationHigh', message: 'Highest magnification must not be less than the lowest.' }];
    }
  }
  if (name === 'setups' && !(data as ResourceTypes['setups']).chain.some((link) => link.type === 'optic')) {
    return [{ path: 'chain', message: 'This set-up has no lens. Add one to get a picture.' }];
  }
  return [];
}

/** Checks what is to be kept under a resource's name; the messages are for people. */
export function validateResource<N extends ResourceName>(name: N, data: unknown): Checked<ResourceTypes[N]> {
  // As a plain one: what the compiler would make of all the resources' types at once takes it minutes.
  const validate: ValidateFunction = validators[name];
  if (!validate(data)) return { ok: false, errors: fieldErrors(RESOURCE_SCHEMAS[name], validate.errors, SCHEMAS_BY_ID) };
  const errors = crossChecks(name, data);
  return errors.length ? { ok: false, errors } : { ok: true, value: data as ResourceTypes[N] };
}

/** Checks what one desk of the command line takes; its schema names the fields of the messages. */
function checker<T>(validate: ValidateFunction, schema: object): (data: unknown) => Checked<T> {
  return (data) => (validate(data) ? { ok: true, value: data as T } : { ok: false, errors: fieldErrors(schema, validate.errors, SCHEMAS_BY_ID) });
}

export const validateFarInput = checker<FarInputData>(validators.farInput, farInputSchema);
export const validateNearInput = checker<NearInputData>(validators.nearInput, nearInputSchema);
export const validateStarsInput = checker<StarsInputData>(validators.starsInput, starsInputSchema);
export const validatePlanetInput = checker<PlanetInputData>(validators.planetInput, planetInputSchema);
export const validateSystemInput = checker<SystemInputData>(validators.systemInput, systemInputSchema);

/** Checks a whole file of data: its form, then every row under its resource's schema. At most `most` errors are told. */
export function validateWholeData(data: unknown, most = 50): Checked<WholeData> {
  if (!validators.wholeData(data)) return { ok: false, errors: fieldErrors(wholeDataSchema, validators.wholeData.errors, SCHEMAS_BY_ID).slice(0, most) };
  const errors: FieldError[] = [];
  for (const name of TRANSFER_ORDER) {
    for (const [i, row] of (data.rows[name] ?? []).entries()) {
      const checked = validateResource(name, row.data);
      if (!checked.ok) errors.push(...checked.errors.map((error) => ({ path: `rows.${name}.${i}.data.${error.path}`, message: `${nameOf(row.data, i)}: ${error.message}` })));
      if (errors.length >= most) return { ok: false, errors: errors.slice(0, most) };
    }
  }
  return errors.length ? { ok: false, errors } : { ok: true, value: data };
}

function nameOf(data: object, i: number): string {
  const name = (data as { name?: unknown }).name;
  return typeof name === 'string' && name.trim() ? `“${name.slice(0, 60)}”` : `Entry ${i + 1}`;
}
