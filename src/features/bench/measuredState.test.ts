import { demoKit } from '@/demo/demoKit';
import { EMPTY_HAND } from '@/data/hand';
import { demoSetups } from '@/demo/kit';
import { chainAsSet, chainInHand, settingsOf, stateWords } from './measuredState';

const RAIL = {
  id: '00000000-0000-4000-8000-0000000000be',
  version: 1,
  createdAt: '2026-01-01T00:00:00.000Z',
  updatedAt: '2026-01-01T00:00:00.000Z',
  data: { kind: 'bellows' as const, name: 'Rail', shortestMm: 42, longestMm: 150 },
};
const kit = { ...demoKit(), adapters: [...demoKit().adapters, RAIL] };
const chain = [...demoSetups.heath.data.chain, { type: 'adapter' as const, id: RAIL.id }];
const setupRow = {
  ...kit.setups.find(({ id }) => id === demoSetups.heath.id)!,
  data: { ...demoSetups.heath.data, chain },
};

it('a measurement is kept with the draw it was made at: as in hand, or as entered, never as stored by chance', () => {
  const drawn = chain.map((row) => (row.id === RAIL.id ? { ...row, extensionMm: 150 } : row));
  const hand = { ...EMPTY_HAND, setupId: setupRow.id, chain: drawn };
  expect(chainInHand(setupRow, hand)).toEqual(drawn);
  expect(chainInHand(setupRow, { ...hand, setupId: 'another' })).toEqual(chain);
  const settings = settingsOf(drawn, kit);
  expect(settings).toMatchObject([{ kind: 'extension', least: 42, most: 150, value: 150 }]);
  const at = settings[0]!.index;
  expect(chainAsSet(drawn, settings, {})[at]).toMatchObject({ extensionMm: 150 });
  expect(chainAsSet(drawn, settings, { [at]: 80 })[at]).toMatchObject({ extensionMm: 80 });
  expect(stateWords(settings, { [at]: 80 }, null)).toBe('Rail at 80\u202fmm');
  // Nobody said how far it was drawn: it is asked for.
  expect(settingsOf(chain, kit)[0]!.value).toBeNull();
});
