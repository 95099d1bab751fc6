import { useState } from 'react';
import { parseDecimal } from '@/core/quantity/parseNumber';
import { groupSign } from '@/core/quantity/format';
import { TextField } from './TextField';

interface Props {
  label: string;
  value: number[];
  onChange: (value: number[]) => void;
  /** Told when what stands in the field cannot be taken, and when it can again. */
  onProblem?: (problem: string | null) => void;
  error?: string | undefined;
}

/** Several numbers in one field, with + between them: tubes of a set, frame rates. */
export function NumbersField({ label, value, onChange, onProblem, error }: Props) {
  const [typed, setTyped] = useState(value.join(' + '));
  const [problem, setProblem] = useState<string | null>(null);
  const take = (next: string) => {
    setTyped(next);
    const read = next
      .split(/\s*[+;]\s*|\s+/)
      .filter((each) => each !== '')
      .map((each) => parseDecimal(each, groupSign()));
    const wrong = read.find((each) => !each.ok);
    const message = wrong && !wrong.ok ? wrong.problem.message : null;
    setProblem(message);
    onProblem?.(message);
    if (message === null) onChange(read.flatMap((each) => (each.ok ? [each.value] : [])));
  };
  return <TextField label={label} value={typed} onChange={take} error={problem ?? error} />;
}
