import { letterAt, setupLetters } from './setupLetters';

it('counts on after Z, each place with a letter of its own', () => {
  expect([0, 1, 25, 26, 27, 51, 52, 701, 702].map(letterAt)).toEqual([
    'A',
    'B',
    'Z',
    'AA',
    'AB',
    'AZ',
    'BA',
    'ZZ',
    'AAA',
  ]);
  const many = Array.from({ length: 2000 }, (_, i) => letterAt(i));
  expect(new Set(many).size).toBe(2000);
});

it('stays with a set-up whatever is compared', () => {
  const of = setupLetters([{ id: 'hide' }, { id: 'dunes' }, { id: 'bag' }]);
  expect(['bag', 'hide', 'dunes', 'gone'].map(of)).toEqual(['C', 'A', 'B', '']);
});
