import { useState } from 'react';
import { useFormContext, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';
import { Choice } from '@/ui/controls/Choice';
import { space } from '@/ui/theme/measures';
import { FieldRows } from './FieldRows';
import { FormField } from './FormField';
import { number, type EndsField, type PlainField } from './formFields';

interface Props {
  field: EndsField;
  onProblem: (name: string, problem: string | null) => void;
}

const KINDS = [
  { value: 'prime', name: 'One focal length' },
  { value: 'zoom', name: 'Zoom' },
] as const;
const ZOOM: PlainField[] = [
  number('focalWideMm', 'Shortest focal length', 'mm', false),
  number('focalTeleMm', 'Longest focal length', 'mm', false),
  number('fNumberWide', 'Widest f/ at the short end', '', false),
  number('fNumberTele', 'Widest f/ at the long end', '', false),
];
/** Of one focal length, with the second of each pair that follows it. */
const PRIME: PlainField[] = [
  { ...number('focalWideMm', 'Focal length', 'mm', false), followedBy: 'focalTeleMm' },
  { ...number('fNumberWide', 'Widest f/', '', false), followedBy: 'fNumberTele' },
];

/** Focal length and widest opening: one of each, or both ends of a zoom. */
export function EndsFields({ onProblem }: Props) {
  const form = useFormContext<FieldValues>();
  const [kind, setKind] = useState<'prime' | 'zoom'>(() => {
    const { focalWideMm, focalTeleMm } = form.getValues();
    return focalWideMm === focalTeleMm ? 'prime' : 'zoom';
  });
  const choose = (next: 'prime' | 'zoom') => {
    setKind(next);
    if (next === 'zoom') return;
    // What cannot be seen any more must not stay wrong.
    const { focalTeleMm, fNumberTele } = form.getValues();
    form.setValue('focalWideMm', focalTeleMm, { shouldDirty: true });
    form.setValue('fNumberWide', fNumberTele, { shouldDirty: true });
    for (const { path } of ZOOM) onProblem(path, null);
  };
  return (
    <View style={{ gap: space.large }}>
      <Choice label="Kind of lens" hideLabel options={KINDS} value={kind} onChange={choose} />
      <FieldRows fields={kind === 'zoom' ? ZOOM : PRIME}>
        {(field) => <FormField key={`${kind} ${field.path}`} field={field} name={field.path} onProblem={onProblem} />}
      </FieldRows>
    </View>
  );
}
