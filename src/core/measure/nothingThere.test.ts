import { ORDINARY, ordinaryPicture } from '../../../tests/support/ordinaryPictures';
import { findDisc } from './disc/findDisc';
import { findStars } from './stars/findStars';

const seeds = Array.from({ length: 8 }, (_, i) => 5200 + i);
const pictures = ORDINARY.flatMap((kind) => seeds.map((seed) => ({ kind, seed, grey: ordinaryPicture(kind, seed) })));

describe('of pictures without the thing that is asked for', () => {
  it('none is taken for a disc', () => {
    const taken = pictures.filter(({ grey }) => findDisc(grey).ok);
    expect(taken.map(({ kind, seed }) => `${kind} ${seed}`)).toEqual([]);
  });
  it('none is taken for stars', () => {
    const taken = pictures.filter(({ grey }) => findStars(grey).ok);
    expect(taken.map(({ kind, seed }) => `${kind} ${seed}`)).toEqual([]);
  });
});
