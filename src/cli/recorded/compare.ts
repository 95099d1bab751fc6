import path from 'node:path';
import { Records } from '../../../tests/support/recorded';
import { faultsOf } from '../check';
import { deskOf } from '../registry';
import { CASES } from './cases';

/**
 * Reads every case of a file again and compares it, digit for digit, with what was read when it was kept: a redesign may
 * change no number. What was kept is no proof that a number is right; that is what the other tests derive.
 */
export function compareWithRecords(of: keyof typeof CASES): void {
  const records = new Records(path.resolve('src', 'cli', 'recorded', `${of}.json`));
  const cases = CASES[of];
  it.each(cases.map((each) => [each.name, each] as const))('%s', (name, { desk, input }) => {
    const found = deskOf(desk)!;
    expect(faultsOf(found.schema, input)).toEqual([]);
    expect(records.compare(name, found.read(input as never)).slice(0, 20)).toEqual([]);
  });
  it('nothing that was kept is left out', () => {
    expect(records.left(cases.map((each) => each.name))).toEqual([]);
  });
}
