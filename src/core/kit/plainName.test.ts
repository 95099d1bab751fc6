import type { Part } from '../chain/parts';
import { plainName } from './plainName';
import { TYPICAL_LENSES } from './typicalLenses';

const lens = (focal: [number, number], fNumber: [number, number]): Part => ({
  kind: 'lens',
  name: 'New lens',
  focalWideMm: focal[0],
  focalTeleMm: focal[1],
  fNumberWide: fNumber[0],
  fNumberTele: fNumber[1],
  detailClass: 'good',
  autofocus: true,
});

describe('a part nobody named', () => {
  it('is called by its numbers', () => {
    expect(plainName(lens([100, 100], [2.8, 2.8]))).toBe('100 f/2.8');
    expect(plainName(lens([150, 600], [5, 6.3]))).toBe('150–600 f/5–6.3');
    expect(plainName(lens([70, 200], [4, 4]))).toBe('70–200 f/4');
    expect(plainName({ kind: 'converter', name: 'Converter ×1.4', factor: 2, autofocus: true })).toBe('Converter ×2');
    expect(plainName({ kind: 'barlow', name: 'Barlow ×2', factor: 2.5 })).toBe('Barlow ×2.5');
    expect(plainName({ kind: 'closeUp', name: 'Close-up lens', dioptres: 5 })).toBe('Close-up lens +5');
    expect(plainName({ kind: 'telescope', name: 'New', apertureMm: 120, focalMm: 840, detailClass: 'good' })).toBe(
      'Telescope 120/840',
    );
  });

  it('keeps what it is called where its numbers do not tell it apart', () => {
    expect(plainName({ kind: 'reversing', name: 'Reversing ring' })).toBeNull();
    expect(plainName({ kind: 'tubes', name: 'Extension tubes', lengthsMm: [12], autofocus: true })).toBeNull();
  });

  it('is called like the typical one of its numbers', () => {
    for (const { spec } of TYPICAL_LENSES) expect(spec.name).toBe(plainName(spec));
  });
});
