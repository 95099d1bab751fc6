import { demoOptics } from '@/demo/kit';
import { zoomedName } from './zoomedName';

const zoom = demoOptics.zoom150600.data;

it('tells where a zoom stands, within its range, and of a prime only the name', () => {
  expect(zoomedName('Dune walk', { chain: [zoom] })).toBe('Dune walk at 600\u202fmm');
  expect(zoomedName('Dune walk', { chain: [zoom], focalMm: 300 })).toBe('Dune walk at 300\u202fmm');
  expect(zoomedName('Dune walk', { chain: [zoom], focalMm: 50 })).toBe('Dune walk at 150\u202fmm');
  expect(zoomedName('Hide', { chain: [demoOptics.tele600.data], focalMm: 300 })).toBe('Hide');
  expect(zoomedName('Nothing', { chain: [] })).toBe('Nothing');
});
