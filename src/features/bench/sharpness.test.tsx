import { act, fireEvent, screen } from '@testing-library/react-native';
import { opticsOf } from '../../../tests/support/randomEdge';
import { renderWithKit } from '../../../tests/support/renderWithKit';
import type { Found, Question } from '@/core/measure/benchTalk';
import type { PairFound } from '@/core/measure/pair/comparePair';
import { edgesOnMosaic } from '@/core/measure/edge/edgesByColour';
import { findEdges } from '@/core/measure/edge/findEdges';
import { findStars } from '@/core/measure/stars/findStars';
import { photonTransfer } from '@/core/measure/light/photonTransfer';
import { handLimit } from '@/core/measure/shake/handLimit';
import type { SeveralAsk } from '@/core/measure/severalTalk';
import { ok, type Result } from '@/core/quantity/result';
import { edgePicture } from '@/core/simulate/edgeScene';
import { evenFrame } from '@/core/simulate/evenSurface';
import { noisy } from '@/core/simulate/noisy';
import { starPicture } from '@/core/simulate/starScene';
import { useBench, type BenchPicture } from '@/data/bench/pictures';
import { useOutbox } from '@/data/outbox';
import BenchHome from './BenchHome';
import { whereOn } from './whereOn';

jest.mock('@/data/outbox/sending', () => ({ sendWaiting: jest.fn(), startSending: jest.fn() }));
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false }),
  usePathname: () => '/bench',
}));
let mockAnswer: Result<unknown> = ok(null);
const mockSeveral: SeveralAsk[] = [];
jest.mock('@/data/bench/several', () => ({
  askSeveral: (asked: SeveralAsk) => {
    mockSeveral.push(asked);
    return { answer: Promise.resolve(mockAnswer), stop: () => undefined };
  },
}));

const words = () =>
  screen.root
    .findAll((node) => typeof node.type === 'string')
    .flatMap((node) => node.children.filter((child): child is string => typeof child === 'string'))
    .join(' ');

const light = edgePicture(
  { edgeDeg: 96, offsetPx: 2, dark: 0.1, light: 0.6, optics: opticsOf(0.5, 0.9), cutoff: 2 },
  160,
  140,
);
const grey = { width: 160, height: 140, data: light, step: 1e-6 };
let measuredEdge: Found | null = null;
const edgeFound = (): Found => structuredClone((measuredEdge ??= measureTheEdge()));
function measureTheEdge(): Found {
  const colourAt = (x: number, y: number) => [0, 1, 1, 2][(y % 2) * 2 + (x % 2)]!;
  const found = edgesOnMosaic(grey, { grey, colourAt });
  if (!found.ok) throw new Error(found.problem.message);
  // Twice the same, so that there are fields to be listed.
  return {
    measure: 'edge',
    value: { ...found.value, edges: [found.value.edges[0]!, { ...found.value.edges[0]!, warnings: ['sharpened'] }] },
  };
}
function starsFound(exposureS: number): Found {
  const made = {
    width: 260,
    height: 200,
    pitchUm: 12,
    focalMm: 24,
    exposureS,
    declinationDeg: 0,
    rollDeg: 0,
    stars: 26,
    sigma: 1.1,
    comaPx: 0,
    sky: 0.02,
    brightest: 12,
  };
  const data = noisy(starPicture(made, 3).light, { fullWell: 20_000, readNoise: 3 }, 5);
  const found = findStars({ width: 260, height: 200, data, step: 1e-5 });
  if (!found.ok) throw new Error(found.problem.message);
  return { measure: 'stars', value: found.value };
}

const asked: Question[] = [];
function picture(id: string, found: Found | null, change: Partial<BenchPicture> = {}): BenchPicture {
  return {
    id,
    name: `${id}.jpg`,
    file: { name: `${id}.jpg` } as File,
    holder: {
      open: () => Promise.resolve(ok({ width: 8256, height: 5504, kind: 'jpeg' as const, tone: 'srgb' as const })),
      measure: (next) => {
        asked.push(next);
        return Promise.resolve(found ? ok(found) : { ok: false as const, problem: { code: 'x', message: 'None.' } });
      },
      part: () => Promise.resolve(null),
      stop: () => undefined,
    },
    tone: null,
    opened: { width: 8256, height: 5504, kind: 'jpeg', tone: 'srgb' },
    share: null,
    problem: null,
    tags: { model: 'Ostrel R45', lensModel: 'Ostrel 100 f/2.8 macro', fNumber: 8, exposureS: 0.01, iso: 200 },
    question: found ? ({ measure: found.measure } as Question) : null,
    found,
    ends: null,
    setupId: null,
    exposureS: null,
    strokesTimes: 10,
    truth: null,
    ...change,
  };
}
const lay = (...pictures: BenchPicture[]) =>
  useBench.setState({ pictures, currentId: pictures[0]!.id, comparing: null });

beforeEach(() => {
  asked.length = 0;
  mockSeveral.length = 0;
  act(() => useOutbox.setState({ entries: new Map(), waiting: [], refused: [] }));
});
const sent = () => JSON.stringify(useOutbox.getState().waiting);

describe('how sharp it is', () => {
  it('is told in line pairs, against what was expected, colour by colour, and offered to the lens', async () => {
    lay(picture('edge', edgeFound()));
    await renderWithKit(<BenchHome />);
    expect(words()).toContain('Half of the contrast is left at');
    expect(words()).toContain('lp/mm');
    expect(words()).toContain('Measured against expected');
    expect(words()).toContain('green');
    expect(screen.getByLabelText('All edges, from the middle outwards')).toBeTruthy();
    expect(words()).toContain('The lens alone, at half');
    await act(async () => fireEvent.press(screen.getByTestId('use-sharpness')));
    expect(sent()).toMatch(/"sharpness":\[\{"focalMm":100,"fNumber":8,"lens50(Corner)?LpPerMm":\d/);
  });
  it('is drawn beside the others on the bench, each with its letter and where half of it is left', async () => {
    const [own, other] = [edgeFound(), edgeFound()];
    if (own.measure !== 'edge' || other.measure !== 'edge') throw new Error('no edge');
    own.value.edges[0] = { ...own.value.edges[0]!, mtf50: { value: 0.3, plusMinus: 0.01 } };
    other.value.edges[0] = { ...other.value.edges[0]!, mtf50: { value: 0.2, plusMinus: 0.01 } };
    lay(picture('one', own), picture('two', other), picture('three', null));
    await renderWithKit(<BenchHome />);
    fireEvent(screen.getByTestId('edge-chart'), 'layout', { nativeEvent: { layout: { width: 360 } } });
    const [, ofOwn] = /is left at\s*([\d.]+)\s*lp/.exec(words())!;
    const [, ofOther] = /Thin: A two\S*, half at ([\d.]+)\.(?!\d)/.exec(words())!;
    expect(Number(ofOther) / Number(ofOwn)).toBeCloseTo(0.2 / 0.3, 1);
  });
  it('warns of what spoils it', async () => {
    const found = edgeFound();
    if (found.measure !== 'edge') throw new Error('no edge');
    found.value.edges[0] = { ...found.value.edges[0]!, warnings: ['sharpened', 'clipped', 'angle'] };
    lay(picture('edge', found, { opened: { width: 4000, height: 3900, kind: 'jpeg', tone: 'srgb' } }));
    await renderWithKit(<BenchHome />);
    expect(words()).toContain('measures the sharpening, not the lens');
    expect(words()).toContain('expose for the middle');
    expect(words()).toContain('tilt it by 5 to 12°');
    // No pitch: in cycles a pixel, and nothing is expected.
    expect(words()).toContain('cycles/px');
    expect(words()).not.toContain('Expected at half');
  });
  it('is asked of an edge', async () => {
    lay(picture('plain', null));
    await renderWithKit(<BenchHome />);
    await act(async () => fireEvent.press(screen.getByRole('radio', { name: /How sharp is it/ })));
    expect(asked.at(-1)).toEqual({ measure: 'edge' });
  });
  it('is looked for in a part, between two corners', async () => {
    lay(picture('edge', edgeFound()));
    await renderWithKit(<BenchHome />);
    await act(async () => fireEvent.press(screen.getByTestId('frame-edge')));
    expect(asked.at(-1)).toEqual({ measure: 'edge', frame: [2752, 1835, 5504, 3669] });
    expect(screen.getByText('Look in all of the picture')).toBeTruthy();
    await act(async () => fireEvent.press(screen.getByTestId('frame-edge')));
    expect(asked.at(-1)).toEqual({ measure: 'edge' });
  });
  it('over f-numbers tells the sharpest', async () => {
    const at = (fNumber: number) => picture(`f${fNumber}`, edgeFound(), { tags: { fNumber } });
    lay(at(4), at(16));
    await renderWithKit(<BenchHome />);
    fireEvent.press(screen.getByText('All of them together'));
    expect(words()).toMatch(/Sharpest at f\/(4|16); f\/(4|16) cannot be told from it/);
    await act(async () => fireEvent.press(screen.getByTestId('ask-edges')));
    expect(asked).toHaveLength(2);
    expect(words()).toContain('Lens alone, lp/mm');
  });
  it('over f-numbers gives all of them to the lens that took them', async () => {
    const tags = { model: 'Ostrel R45', lensModel: 'Ostrel 100 f/2.8 macro' };
    const at = (fNumber: number) => picture(`f${fNumber}`, edgeFound(), { tags: { ...tags, fNumber } });
    lay(at(4), at(8));
    await renderWithKit(<BenchHome />);
    fireEvent.press(screen.getByText('All of them together'));
    await act(async () => fireEvent.press(screen.getByTestId('use-series')));
    expect(sent()).toMatch(/"sharpness":\[\{"focalMm":100,"fNumber":4,.*"focalMm":100,"fNumber":8/);
  });
  it('names a place of the picture', () => {
    const size = { width: 6000, height: 4000 };
    expect(whereOn([3000, 2000], size).name).toBe('middle');
    expect(whereOn([100, 100], size).name).toBe('corner, top left');
    expect(whereOn([5900, 2000], size).name).toBe('right');
  });
});

describe('whether stars run', () => {
  it('is told, and asked again with what is known of the sky', async () => {
    lay(picture('sky', starsFound(30), { exposureS: 30 }));
    await renderWithKit(<BenchHome />);
    expect(words()).toContain('In the middle stars run');
    expect(words()).toContain('Worst corner');
    await act(async () => fireEvent.press(screen.getByText(/Tell the lens’s part/)));
    expect(asked.at(-1)).toMatchObject({ measure: 'stars', setup: { exposureS: 30, focalMm: 100 } });
    fireEvent.press(screen.getByRole('radio', { name: '× 40' }));
    expect(useBench.getState().pictures[0]!.strokesTimes).toBe(40);
  });
  it('over a series tells the lens from the sky, and becomes the tolerance with this lens', async () => {
    const series = [10, 25, 50].map((seconds) => picture(`s${seconds}`, starsFound(seconds), { exposureS: seconds }));
    lay(...series);
    await renderWithKit(<BenchHome />);
    fireEvent.press(screen.getByText('All of them together'));
    expect(words()).toContain('px each second');
    expect(screen.getByTestId('series-time')).toBeTruthy();
    expect(words()).toMatch(/For Web page [\d.]+ px pass: up to [\d.]+ s in the middle/);
    fireEvent.press(screen.getAllByRole('radio', { name: 'Fine' })[0]!);
    await act(async () => fireEvent.press(screen.getByTestId('keep-series')));
    expect(sent()).toMatch(/"resource":"starTests".*"seconds":10/);
    await act(async () => fireEvent.press(screen.getByTestId('ask-series')));
    expect(asked.filter(({ measure }) => measure === 'stars')).toHaveLength(3);
  });
});

const PAIR: PairFound = {
  scale: 1.5,
  scaleError: 0.0002,
  rotationDeg: 0.2,
  rotationError: 0.001,
  shift: [3, 4],
  shiftError: 0.01,
  aToB: [
    [1.5, 0, 0],
    [0, 1.5, 0],
  ],
  match: { p: 1.5, q: 0, tx: 3, ty: 4 },
  correlation: 0.95,
  bands: { frequencies: [0.05, 0.1], powerRatio: [1.04, null], errors: [0.03, 1], coherence: [0.99, 0.2] },
  detail: { more: 'b', ratio: 1.17, plusMinus: 0.05 },
  focus: { directionDeg: 0, acrossField: 1.5 },
  lightRatio: 1.1,
};

describe('two pictures against each other', () => {
  it('tell which has more, lie on each other on the subject, blink, and are kept', async () => {
    lay(picture('one', null), picture('two', null, { tags: { fNumber: 4, iso: 200, exposureS: 0.01 } }));
    act(() => useBench.setState({ comparing: { secondId: 'two' } }));
    mockAnswer = ok(PAIR);
    await renderWithKit(<BenchHome />);
    await act(async () => fireEvent.press(screen.getByTestId('ask-pair')));
    expect(mockSeveral.at(-1)).toMatchObject({ ask: 'pair' });
    expect(words()).toContain('The second has more');
    expect(words()).toContain('17 ± 5 % more of the subject');
    expect(words()).toContain('f/8 against f/4');
    expect(words()).toContain('the second gains towards the right');
    fireEvent.press(screen.getByRole('radio', { name: 'Side by side' }));
    expect(screen.getByRole('radio', { name: 'Side by side', checked: true })).toBeTruthy();
    fireEvent.press(screen.getByRole('radio', { name: 'Difference' }));
    expect(words()).toContain('Dark where both are alike; what differs is shown 4 times as bright.');
    expect(screen.getByRole('radio', { name: 'On the subject', checked: true })).toBeTruthy();
    fireEvent.press(screen.getByText('Band by band'));
    expect(words()).toContain('not to be told');
    fireEvent(screen.getByTestId('blink'), 'pressIn');
    expect(screen.getByRole('radio', { name: 'Second', checked: true })).toBeTruthy();
    fireEvent(screen.getByTestId('blink'), 'pressOut');
    expect(screen.getByRole('radio', { name: 'First', checked: true })).toBeTruthy();
    await act(async () => fireEvent.press(screen.getAllByTestId('keep').at(0)!));
    expect(sent()).toContain('"asked":"pair"');
  });
  it('say why they cannot be compared', async () => {
    lay(picture('one', null), picture('two', null));
    act(() => useBench.setState({ comparing: { secondId: 'two' } }));
    mockAnswer = { ok: false, problem: { code: 'pair.none', message: 'The two pictures show no common field.' } };
    await renderWithKit(<BenchHome />);
    await act(async () => fireEvent.press(screen.getByTestId('ask-pair')));
    expect(words()).toContain('show no common field');
  });
});

describe('several pictures together', () => {
  const four = () => ['a', 'b', 'c', 'd'].map((id) => picture(id, null));
  it('tell how clean a sensor is', async () => {
    const made = {
      width: 128,
      height: 128,
      gain: 1.5,
      readNoise: 4,
      black: 512,
      white: 16_383,
      falloff: 0,
      unequal: 0,
      sensorSeed: 1,
    };
    mockAnswer = photonTransfer(
      [0.4, 0.4, 0, 0].map((exposure, i) => ({
        width: 128,
        height: 128,
        white: 16_383,
        data: Float32Array.from(evenFrame({ ...made, exposure }, i + 1)),
      })),
    );
    lay(...four());
    await renderWithKit(<BenchHome />);
    fireEvent.press(screen.getByText('All of them together'));
    await act(async () => fireEvent.press(screen.getByTestId('ask-light')));
    expect(words()).toContain('Dynamic range');
    expect(words()).toContain('stops');
    expect(words()).toContain('There are 4 on the bench, six are needed.');
    await act(async () => fireEvent.press(screen.getAllByTestId('keep')[0]!));
    expect(sent()).toMatch(/"asked":"light".*ISO 200/);
    await act(async () => fireEvent.press(screen.getByTestId('use-light')));
    expect(sent()).toMatch(/"resource":"bodies".*"light":\[.*"iso":200,"fullWellE":2\d{4}/);
  });
  it('tell how long one holds it', async () => {
    const held = [0.002, 0.002, 0.008, 0.008, 0.03, 0.03];
    mockAnswer = handLimit(held.map((exposureS, i) => ({ exposureS, value: i < 4 ? 1 : 0.4, by: 'edge' as const })));
    lay(...held.map((exposureS, i) => picture(`h${i}`, null, { exposureS })));
    await renderWithKit(<BenchHome />);
    fireEvent.press(screen.getByText('All of them together'));
    fireEvent.press(screen.getByRole('radio', { name: 'On' }));
    await act(async () => fireEvent.press(screen.getByTestId('ask-shake')));
    expect(mockSeveral.at(-1)).toMatchObject({ ask: 'shake', exposuresS: held });
    expect(words()).toContain('Four of five are sharp up to');
    expect(words()).toContain('1/500\u202fs');
    await act(async () => fireEvent.press(screen.getAllByTestId('keep')[0]!));
    expect(sent()).toMatch(
      /"asked":"shake".*"name":"Longest time held, stabilised".*"name":"Focal length","value":100/,
    );
  });
});

it('an edge without colours is measured as it is', () => {
  const found = findEdges(grey);
  expect(found.ok && found.value.others[0]).toEqual([]);
});
