import { demoAdapters, demoBodies, demoOptics, demoSetups } from '@/demo/kit';
import type { Setup } from '@/contract/schemas/setup';
import { useOutbox } from '@/data/outbox';
import type { Kit } from '@/data/situation';
import { demoHeld } from '../../../tests/support/renderWithKit';
import { owned } from './owned';
import { renameSetups } from './renameSetups';
import { partsName, setupNameOf } from './setupName';

// Nothing is sent: a server that does not answer would be asked again and again, long after the test.
jest.mock('@/data/outbox/sending', () => ({
  flush: async () => undefined,
  sendWaiting: async () => undefined,
  forget: async () => undefined,
  keep: async () => undefined,
  refresh: async () => undefined,
}));

const kit = demoHeld() as unknown as Kit;
const setup: Setup = {
  name: 'x',
  namedAfterParts: true,
  bodyId: demoBodies.ostrel.id,
  modeId: 'whole',
  chain: [
    { type: 'optic', id: demoOptics.tele600.id },
    { type: 'adapter', id: demoAdapters.converter14.id },
  ],
};

it('names a set-up after its parts, body first; what is gone is left out; never longer than a name may be', () => {
  expect(partsName(setup, kit)).toBe(
    `Ostrel R45 + ${demoOptics.tele600.data.name} + ${demoAdapters.converter14.data.name}`,
  );
  expect(partsName({ ...setup, chain: [{ type: 'optic', id: 'gone' }] }, kit)).toBe('Ostrel R45');
  expect(setupNameOf(['a'.repeat(100), 'b'.repeat(100)])).toHaveLength(120);
});

it('a part with another name renames the set-ups named after it, and no other', () => {
  const row = { id: 's1', version: 3, createdAt: '', updatedAt: '', data: setup };
  const other = kit.setups.find((each) => each.id === demoSetups.hide.id)!;
  useOutbox.setState({ waiting: [], refused: [] });
  renameSetups({ ...kit, setups: [row, other] }, demoOptics.tele600.id, 'Long one');
  const { waiting } = useOutbox.getState();
  expect(waiting).toHaveLength(1);
  expect(waiting[0]).toMatchObject({ resource: 'setups', id: 's1', verb: 'replace', version: 3 });
  expect((waiting[0] as { data: Setup }).data.name).toBe(
    `Ostrel R45 + Long one + ${demoAdapters.converter14.data.name}`,
  );
});

it('what was looked at and saved is no longer assumed', () => {
  expect(owned({ name: 'a', assumed: true })).toEqual({ name: 'a' });
  expect(owned({ name: 'a' })).toEqual({ name: 'a' });
});
