import { faultsOf } from './check';
import type { Desk } from './desk';
import { inputsOf, type Read } from './inputs';

/** What became of one input: what is printed for it, what is told on standard error, and how the command ends for it. */
interface Outcome {
  value: object;
  message?: string;
  code: 0 | 1 | 2;
}

/** What a command prints, tells, and ends with. */
export interface Ran {
  stdout: string;
  stderr: string;
  code: number;
}

function outcomeOf(desk: Desk, read: Read, name: string): Outcome {
  if (!read.ok) return { value: { problem: { code: 'json', message: read.message } }, message: read.message, code: 2 };
  const faults = faultsOf(desk.schema, read.data);
  if (faults.length)
    return {
      value: { problem: { code: 'input', message: 'The input is not what it should be.', errors: faults } },
      message: faults.map((fault) => `${fault.path || name}: ${fault.message}`).join('\n'),
      code: 2,
    };
  const reading = desk.read(read.data);
  return reading.ok
    ? { value: reading.value, code: 0 }
    : { value: { problem: reading.problem }, message: `${reading.problem.code}: ${reading.problem.message}`, code: 1 };
}

/**
 * What JSON cannot say: a value without a limit is left out, as a quantity or a plain number, and nothing a reading prints may
 * be no number at all. In a list nothing can be left out, so none of its numbers may be without a limit.
 */
function plain(this: unknown, key: string, value: unknown): unknown {
  const number = isQuantity(value) ? value.value : value;
  if (typeof number !== 'number' || Number.isFinite(number)) return value;
  if (Number.isNaN(number) || Array.isArray(this))
    throw new Error(`“${key}” came out as no number. Please report the input that led here.`);
  return undefined;
}

const isQuantity = (value: unknown): value is { value: unknown } =>
  typeof value === 'object' && value !== null && 'value' in value && 'unit' in value;

/**
 * Reads every input of a text at a desk: one input gives one output, an array an array, lines give lines.
 *
 * @param name what the text is called in messages
 */
export function run(desk: Desk, text: string, name: string): Ran {
  const { form, reads } = inputsOf(text, name);
  const outcomes = reads.map((read) => outcomeOf(desk, read, name));
  const stderr = outcomes.flatMap(({ message }) => (message ? [message] : [])).join('\n');
  const code = Math.max(0, ...outcomes.map((each) => each.code));
  if (form === 'one')
    return { stdout: outcomes[0]?.code === 0 ? JSON.stringify(outcomes[0].value, plain, 2) : '', stderr, code };
  if (form === 'list')
    return {
      stdout: JSON.stringify(
        outcomes.map((each) => each.value),
        plain,
        2,
      ),
      stderr,
      code,
    };
  return { stdout: outcomes.map(({ value }) => JSON.stringify(value, plain)).join('\n'), stderr, code };
}
