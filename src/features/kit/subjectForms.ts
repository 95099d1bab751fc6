import type { Output } from '@/contract/schemas/output';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { metresToFeet, mmToInches, type UnitSystem } from '@/core/quantity/units';
import type { Subject } from '@/contract/schemas/subject';
import type { Field, PathIn, Section } from './formFields';

type SubjectField = Field<PathIn<Subject>>;
type OutputField = Field<PathIn<Output>>;

/** Another kind brings its usual size, distance and name where those of the kind before still stand. */
function usualOf(next: string, now: Record<string, unknown>): Record<string, unknown> {
  const was = SUBJECT_KINDS[now.kind as SubjectKind];
  const info = SUBJECT_KINDS[next as SubjectKind];
  return {
    ...(now.sizeMm === was.usualMm ? { sizeMm: info.usualMm } : {}),
    ...(now.distanceM === was.usualDistanceM ? { distanceM: info.usualDistanceM } : {}),
    ...(now.name === was.name ? { name: info.name } : {}),
  };
}

/** The form of a subject, in the person's units. */
export function subjectSections(units: UnitSystem): Section<PathIn<Subject>>[] {
  const imperial = units === 'imperial';
  const length = (path: PathIn<Subject>, label: string, optional: boolean): SubjectField => ({
    kind: 'number',
    path,
    label,
    unit: 'mm',
    shownUnit: imperial ? 'in' : 'mm',
    perUnit: imperial ? mmToInches(1) : 1,
    optional,
  });
  const distance = (path: PathIn<Subject>, label: string, optional: boolean): SubjectField => ({
    kind: 'number',
    path,
    label,
    unit: 'm',
    shownUnit: imperial ? 'ft' : 'm',
    perUnit: imperial ? metresToFeet(1) : 1,
    optional,
  });
  return [
    {
      title: 'Subject',
      open: true,
      fields: [
        { kind: 'text', path: 'name', label: 'Name' },
        {
          kind: 'choice',
          path: 'kind',
          label: 'Shape, and how its size is measured',
          options: Object.entries(SUBJECT_KINDS).map(([value, info]) => ({
            value,
            name: info.name,
            gloss: info.measure,
          })),
          brings: usualOf,
        },
        length('sizeMm', 'Size', false),
        length('sizePlusMinusMm', 'Sizes differ by ±', true),
        distance('distanceM', 'Usual distance', false),
        distance('keepDistanceM', 'Distance to keep', true),
        {
          kind: 'number',
          path: 'speedMPerS',
          label: 'Speed across the view',
          unit: 'none',
          shownUnit: 'm/s',
          optional: true,
        },
      ],
    },
    {
      title: 'Note',
      open: false,
      fields: [{ kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true }],
    },
  ];
}

const share: OutputField = {
  kind: 'number',
  path: 'subjectShare',
  label: 'Subject’s share of the long side (0.5 for half)',
  unit: 'none',
  optional: false,
};

/** The form of an output of one kind. */
export function outputSections(kind: Output['kind']): Section<PathIn<Output>>[] {
  const name: OutputField = { kind: 'text', path: 'name', label: 'Name' };
  const fields: Record<Output['kind'], OutputField[]> = {
    screen: [
      name,
      { kind: 'number', path: 'longSidePx', label: 'Long side', unit: 'none', shownUnit: 'px', optional: false },
      share,
    ],
    print: [
      name,
      {
        kind: 'number',
        path: 'longSideMm',
        label: 'Long side of the print',
        unit: 'mm',
        shownUnit: 'mm',
        optional: false,
      },
      {
        kind: 'number',
        path: 'pixelsPerInch',
        label: 'Density (else from the distance)',
        unit: 'none',
        shownUnit: 'px/in',
        optional: true,
      },
      { kind: 'number', path: 'viewingDistanceMm', label: 'Viewed from', unit: 'mm', shownUnit: 'mm', optional: true },
      share,
    ],
    identification: [
      name,
      {
        kind: 'number',
        path: 'smallestDetailMm',
        label: 'Smallest detail to tell apart',
        unit: 'mm',
        shownUnit: 'mm',
        optional: false,
      },
    ],
  };
  return [{ title: 'Output', open: true, fields: fields[kind] }];
}

export const NEW_OUTPUTS: Record<Output['kind'], Output> = {
  screen: { kind: 'screen', name: 'Phone post', longSidePx: 1080, subjectShare: 0.5 },
  print: { kind: 'print', name: 'Print 45 × 30', longSideMm: 450, pixelsPerInch: 240, subjectShare: 0.5 },
  identification: { kind: 'identification', name: 'Identification record', smallestDetailMm: 5 },
};
