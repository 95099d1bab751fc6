import type { ErrorObject } from 'ajv';
import type { FieldError } from './problem';

interface SchemaNode {
  title?: string;
  $ref?: string;
  properties?: Record<string, SchemaNode>;
  items?: SchemaNode;
  oneOf?: readonly SchemaNode[];
}

/** A node with what it refers to and its alternatives. */
function unfold(node: SchemaNode, byId: Record<string, object>): SchemaNode[] {
  const target = node.$ref === undefined ? undefined : (byId[node.$ref] as SchemaNode | undefined);
  return [node, ...(target ? unfold(target, byId) : []), ...(node.oneOf ?? []).flatMap((each) => unfold(each, byId))];
}

/** Walks a schema along an instance path. Where several alternatives exist, the first that has the next step. */
function titleAt(schema: SchemaNode, steps: string[], byId: Record<string, object>): string | undefined {
  let nodes = unfold(schema, byId);
  for (const step of steps) {
    nodes = nodes
      .flatMap((node) => node.properties?.[step] ?? (node.items && /^\d+$/.test(step) ? node.items : []))
      .flatMap((node) => unfold(node, byId));
  }
  return nodes.find((node) => node.title !== undefined)?.title;
}

/** What a type is called by people. */
const TYPE_WORDS: Record<string, string> = {
  integer: 'a whole number',
  number: 'a number',
  string: 'a text',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
  null: 'nothing',
};

function messageOf(error: ErrorObject, title: string): string {
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'required':
      return `${title} is missing.`;
    case 'additionalProperties':
      return `“${String(params.additionalProperty)}” is not a field of this. Remove it.`;
    case 'exclusiveMinimum':
      return `${title} must be more than ${String(params.limit)}.`;
    case 'minimum':
      return `${title} must be at least ${String(params.limit)}.`;
    case 'maximum':
      return `${title} must be at most ${String(params.limit)}.`;
    case 'minLength':
      return `${title} must not be empty.`;
    case 'pattern':
      return String(params.pattern) === '\\S' ? `${title} must not be empty.` : `${title} has not the right form.`;
    case 'maxLength':
      return `${title} is too long: at most ${String(params.limit)} characters.`;
    case 'minItems':
      return `${title} needs at least ${String(params.limit)}.`;
    case 'maxItems':
      return `${title} may have at most ${String(params.limit)}.`;
    case 'type':
      return `${title} must be ${TYPE_WORDS[String(params.type)] ?? String(params.type)}.`;
    case 'enum':
      return `${title} must be one of: ${(params.allowedValues as string[]).join(', ')}.`;
    case 'const':
      return `${title} must be “${String(params.allowedValue)}”.`;
    case 'discriminator':
      return `The field “${String(params.tag)}” is missing or not known.`;
    default:
      return `${title}: ${error.message ?? 'not valid'}.`;
  }
}

/**
 * Turns Ajv's errors into messages a photographer understands, with the path of the field.
 *
 * @param schema the schema that was checked, for the titles of its fields
 * @param byId the schemas it refers to, by their id
 */
export function fieldErrors(
  schema: object,
  errors: ErrorObject[] | null | undefined,
  byId: Record<string, object> = {},
): FieldError[] {
  return (errors ?? []).map((error) => {
    const steps = error.instancePath.split('/').slice(1);
    if (error.keyword === 'required') steps.push(String((error.params as { missingProperty: string }).missingProperty));
    const last = steps.at(-1) ?? 'It';
    const title = titleAt(schema as SchemaNode, steps, byId) ?? last;
    const place = steps.find((step) => /^\d+$/.test(step));
    const where = place === undefined ? '' : ` (entry ${Number(place) + 1})`;
    return { path: steps.join('.'), message: messageOf(error, title).replace(title, `${title}${where}`) };
  });
}

/** All field messages as one sentence, for places that show a single line. */
export const summary = (errors: FieldError[]): string => errors.map((error) => error.message).join(' ') || 'Not valid.';
