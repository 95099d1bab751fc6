import type { ResourceName } from '@/contract/resources';
import { BODY_FORM } from '@/features/kit/bodyForm';
import type { Field, Section } from '@/features/kit/formFields';
import { KIT_KINDS } from '@/features/kit/kinds';
import { outputSections, subjectSections } from '@/features/kit/subjectForms';

/** What a form says of one field: its label, and the names of its choices. */
export interface FormWords {
  label: string;
  options?: Record<string, string>;
}

/** The form a row is entered with; readings and what is measured have none. */
function formOf(resource: ResourceName, row: unknown): readonly Section[] {
  const { kind } = (row ?? {}) as { kind?: string };
  if (resource === 'bodies') return BODY_FORM;
  // Stored in metric units, whatever the person reads in.
  if (resource === 'subjects') return subjectSections('metric');
  if (resource === 'outputs') return outputSections(kind === 'print' ? 'print' : 'screen');
  if ((resource === 'optics' || resource === 'adapters') && kind !== undefined && Object.hasOwn(KIT_KINDS, kind))
    return KIT_KINDS[kind as keyof typeof KIT_KINDS].form;
  return [];
}

function optionsOf(field: Field): Record<string, string> | undefined {
  if (field.kind === 'choice') return Object.fromEntries(field.options.map(({ value, name }) => [value, name]));
  return field.kind === 'ticks' ? field.options : undefined;
}

/** The words of the form for the field at a path, if the row has a form that has it. */
export function formFieldAt(resource: ResourceName, row: unknown, path: string): FormWords | undefined {
  const field = formOf(resource, row)
    .flatMap((section) => section.fields as readonly Field[])
    .find((each) => each.path === path);
  if (!field || !('label' in field)) return undefined;
  const options = optionsOf(field);
  return { label: field.label, ...(options ? { options } : {}) };
}
