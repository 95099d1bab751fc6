import type { ValidateFunction } from 'ajv';
import { fieldErrors } from './fieldErrors';
import * as validators from './generated/validators';
import type { FieldError } from './problem';
import { isMoment, noSuchMoment } from './moments';
import { partChecks } from './partChecks';
import { RESOURCE_NAMES, resourceOf, type ResourceName, type ResourceTypes } from './resources';
import { ALL_SCHEMAS } from './allSchemas';
import { farInputSchema, type FarInputData } from './schemas/farInput';
import { nearInputSchema, type NearInputData } from './schemas/nearInput';
import { planetInputSchema, type PlanetInputData } from './schemas/planetInput';
import { starsInputSchema, type StarsInputData } from './schemas/starsInput';
import { wholeDataSchema } from './schemas/wholeData';
import type { TransferRow, WholeData } from './wholeData';
import { systemInputSchema, type SystemInputData } from './schemas/systemInput';

const SCHEMAS_BY_ID: Record<string, object> = Object.fromEntries(ALL_SCHEMAS.map((schema) => [schema.$id, schema]));

export type Checked<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Whether something says of itself of which kind it is, as parts do. */
const isOfKind = (data: object): data is { kind: string } & Record<string, unknown> =>
  !Array.isArray(data) && 'kind' in data && typeof data.kind === 'string';

/** The same for every part that lies somewhere in an input of the command line, with the path to it. */
export function checksWithin(data: unknown, path: string[] = []): FieldError[] {
  if (data === null || typeof data !== 'object') return [];
  const own = isOfKind(data) ? partChecks(data) : [];
  return [
    ...own.map((error) => ({ ...error, path: [...path, error.path].join('.') })),
    ...Object.entries(data).flatMap(([key, value]) => checksWithin(value, [...path, key])),
  ];
}

/** Checks what is to be kept under a resource's name; the messages are for people. */
export function validateResource<N extends ResourceName>(name: N, data: unknown): Checked<ResourceTypes[N]> {
  // As a plain one: what the compiler would make of all the resources' types at once takes it minutes.
  const validate: ValidateFunction = validators[name];
  const { schema, check } = resourceOf(name);
  if (!validate(data)) return { ok: false, errors: fieldErrors(schema, validate.errors, SCHEMAS_BY_ID) };
  const errors = check?.(data as ResourceTypes[N]) ?? [];
  return errors.length ? { ok: false, errors } : { ok: true, value: data as ResourceTypes[N] };
}

/** Checks what one desk of the command line takes; its schema names the fields of the messages. */
function checker<T>(validate: ValidateFunction, schema: object): (data: unknown) => Checked<T> {
  return (data) => {
    if (!validate(data)) return { ok: false, errors: fieldErrors(schema, validate.errors, SCHEMAS_BY_ID) };
    const errors = checksWithin(data);
    return errors.length ? { ok: false, errors } : { ok: true, value: data as T };
  };
}

export const validateFarInput = checker<FarInputData>(validators.farInput, farInputSchema);
export const validateNearInput = checker<NearInputData>(validators.nearInput, nearInputSchema);
export const validateStarsInput = checker<StarsInputData>(validators.starsInput, starsInputSchema);
export const validatePlanetInput = checker<PlanetInputData>(validators.planetInput, planetInputSchema);
export const validateSystemInput = checker<SystemInputData>(validators.systemInput, systemInputSchema);

/** Checks what a file of data says about itself, before its rows. */
export function validateHead(head: object): FieldError[] {
  if (!validators.wholeData(head)) return fieldErrors(wholeDataSchema, validators.wholeData.errors, SCHEMAS_BY_ID);
  const { exportedAt } = head as WholeData;
  return exportedAt === undefined || isMoment(exportedAt) ? [] : [noSuchMoment('exportedAt', 'Exported at')];
}

/** Checks one row of a file of data, the `i`th of its resource, as strictly as one that comes alone. */
export function validateTransferRow<N extends ResourceName>(name: N, row: unknown, i: number): Checked<TransferRow<N>> {
  const at = `rows.${name}.${i}`;
  if (!validators.wholeData({ format: 'jauge', formatVersion: 1, rows: { [name]: [row] } })) {
    const errors = fieldErrors(wholeDataSchema, validators.wholeData.errors, SCHEMAS_BY_ID);
    return { ok: false, errors: errors.map((error) => ({ ...error, path: error.path.replace(/^rows\.\w+\.0/, at) })) };
  }
  const { id, version, createdAt, updatedAt, data } = row as TransferRow<N>;
  const errors: FieldError[] = [];
  if (createdAt !== undefined && !isMoment(createdAt)) errors.push(noSuchMoment(`${at}.createdAt`, 'Made at'));
  if (updatedAt !== undefined && !isMoment(updatedAt)) errors.push(noSuchMoment(`${at}.updatedAt`, 'Changed at'));
  const checked = validateResource(name, data);
  if (!checked.ok)
    errors.push(
      ...checked.errors.map((error) => ({
        path: `${at}.data.${error.path}`,
        message: `${nameOf(data, i)}: ${error.message}`,
      })),
    );
  if (errors.length) return { ok: false, errors };
  // An id is the same in capitals; it is kept in small letters everywhere.
  return {
    ok: true,
    value: {
      id: id.toLowerCase(),
      ...(version === undefined ? {} : { version }),
      ...(createdAt === undefined ? {} : { createdAt }),
      ...(updatedAt === undefined ? {} : { updatedAt }),
      data,
    },
  };
}

/** Checks a whole file of data: its form, then every row under its resource's schema. At most `most` errors are told. */
export function validateWholeData(data: unknown, most = 50): Checked<WholeData> {
  if (!validators.wholeData(data))
    return {
      ok: false,
      errors: fieldErrors(wholeDataSchema, validators.wholeData.errors, SCHEMAS_BY_ID).slice(0, most),
    };
  const errors = validateHead({ ...data, rows: {} });
  for (const name of RESOURCE_NAMES) {
    for (const [i, row] of (data.rows[name] ?? []).entries()) {
      const checked = validateTransferRow(name, row, i);
      if (!checked.ok) errors.push(...checked.errors);
      if (errors.length >= most) return { ok: false, errors: errors.slice(0, most) };
    }
  }
  return errors.length ? { ok: false, errors } : { ok: true, value: data };
}

function nameOf(data: object, i: number): string {
  const name = (data as { name?: unknown }).name;
  return typeof name === 'string' && name.trim() ? `“${name.slice(0, 60)}”` : `Entry ${i + 1}`;
}
