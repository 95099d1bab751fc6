import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import { demoOutings } from '@/demo/outings';
import type { Outing } from '@/contract/schemas/outing';
import type { BagOrder } from '@/core/outing/bagOrder';
import { useOutbox } from '@/data/outbox';
import type { BagAnswer } from '@/core/outing/answerBag';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import CardPage from './CardPage';
import LightestPage from './LightestPage';
import { OutingList } from './OutingList';
import { OutingView } from './OutingView';
import { lacking, movedWant, withKind } from './wantEdit';

const mockPush = jest.fn();
const mockReplace = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: mockPush, back: jest.fn(), canGoBack: () => false, replace: mockReplace }),
}));
jest.mock('@/data/outbox/sending');
// No worker runs here: what it would be asked is worked out in its place.
let mockHeld: (() => void) | null = null;
jest.mock('@/data/outing/bagWork', () => ({
  askBag: (
    order: BagOrder,
    onShare: (share: number) => void,
    onDone: (answer: BagAnswer) => void,
    onFailed: () => void,
  ) => {
    if (mockHeld) {
      onShare(0.4);
      mockHeld = onFailed;
      return () => undefined;
    }
    const { answerBag } = jest.requireActual<typeof import('@/core/outing/answerBag')>('@/core/outing/answerBag');
    onDone(answerBag(order));
    return () => undefined;
  },
}));

const { marsh, darkNight } = demoOutings;
/** A small kit, so that nothing takes long. */
function held(change: Partial<Outing> = {}) {
  const demo = demoHeld();
  const names = [demoBodies.ostrel, demoBodies.quillon, demoOptics.tele600, demoOptics.macro100, demoOptics.wide20];
  const ids = new Set<string>([...names, demoOptics.zoom70300].map(({ id }) => id));
  const few = (resource: 'bodies' | 'optics') => demo[resource]!.filter(({ id }) => ids.has(id));
  const outings = demo.outings!.map((row) =>
    row.id === marsh.id ? { ...row, data: { ...(row.data as Outing), ...change } } : row,
  );
  return { ...demo, bodies: few('bodies'), optics: few('optics'), adapters: [], setups: [], outings };
}
const sent = () => JSON.stringify(useOutbox.getState().waiting);

beforeEach(() => {
  mockHeld = null;
  mockPush.mockClear();
  mockReplace.mockClear();
  useOutbox.setState({ entries: new Map(), waiting: [], refused: [] });
});
afterEach(() => jest.restoreAllMocks());

describe('the outings', () => {
  it('are listed, the latest day first', async () => {
    await renderWithKit(<OutingList />);
    const text = words();
    expect(text.indexOf('Marsh at first light')).toBeLessThan(text.indexOf('Winter sky over the sea wall'));
    expect(text).toContain('Night of Sat 7 Nov 2026 · Sea wall');
  });
  it('say what one is while there is none, and why they stay closed', async () => {
    await renderWithKit(<OutingList />, { held: {} });
    expect(words()).toContain('No outing yet. Make one');
    await renderWithKit(<OutingList />, { unreachable: true });
    expect(words()).toContain('so the outings stay closed');
  });
  it('begin with a day, a place and nothing else', async () => {
    await renderWithKit(<OutingList />, { held: {} });
    fireEvent.press(screen.getByRole('button', { name: 'New outing' }));
    expect(sent()).toMatch(/"resource":"outings".*"wants":\[\]/);
    expect(mockPush).toHaveBeenCalledWith(expect.stringMatching(/^\/book\/outings\/.{36}$/));
  });
});

describe('an outing', () => {
  it('says what takes each picture, what is changed before it, and what is missing', async () => {
    await renderWithKit(<OutingView id={marsh.id} />, { held: held() });
    await screen.findByLabelText('What is missing', {}, { timeout: 20_000 });
    const text = words();
    expect(text).toMatch(/Curlew \S+ from 60 m · Web page ● Enough for Web page Ostrel R45 \+ Ostrel 600 f\/5\.6/);
    expect(text).toMatch(/Ostrel R45: take off Ostrel 600 f\/5\.6, put on Ostrel 100 f\/2\.8 macro/);
    expect(text).toMatch(/Roe deer: Nothing of the kit is enough/);
    expect(text).toMatch(/First light 06:4\d/);
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('tells how far the plan is, can be stopped, and goes on', async () => {
    mockHeld = () => undefined;
    await renderWithKit(<OutingView id={marsh.id} />, { held: held({ wants: marsh.data.wants.slice(0, 2) }) });
    expect(words()).toContain('Trying every set-up of the kit … 40 %');
    fireEvent.press(screen.getByRole('button', { name: 'Stop' }));
    expect(words()).toContain('Stopped.');
    mockHeld = null;
    fireEvent.press(screen.getByRole('button', { name: 'Go on' }));
    await screen.findAllByText('● Enough for Web page', {}, { timeout: 20_000 });
    expect(words()).toContain('Enough for Web page');
  });

  it('takes a new picture, and says what one lacks', async () => {
    await renderWithKit(<OutingView id={marsh.id} />, { held: held() });
    fireEvent.press(await screen.findByRole('button', { name: 'Add a picture' }));
    fireEvent.press(await screen.findByRole('radio', { name: 'The starry sky' }, { timeout: 20_000 }));
    fireEvent.press(screen.getByRole('button', { name: 'Add it' }));
    expect(screen.getByRole('alert')).toHaveTextContent('Give this part of the sky a name.');
    fireEvent.changeText(screen.getByLabelText('Name'), 'Over the pole');
    fireEvent.press(screen.getByRole('button', { name: 'Add it' }));
    expect(sent()).toMatch(/"kind":"stars".*"name":"Over the pole"|"name":"Over the pole".*"kind":"stars"/);
  });

  it('changes, moves and removes one', async () => {
    await renderWithKit(<OutingView id={marsh.id} />, { held: held() });
    fireEvent.press(await screen.findByRole('button', { name: 'Picture 2, Redshank: change' }));
    fireEvent.press(await screen.findByRole('button', { name: 'Earlier' }, { timeout: 20_000 }));
    expect(sent()).toMatch(/"wants":\[\{"id":"redshank"/);
    fireEvent.press(screen.getByRole('button', { name: 'Remove' }));
    const { data } = useOutbox.getState().waiting.at(-1) as unknown as { data: Outing };
    expect(data.wants.map(({ id }) => id)).not.toContain('redshank');
  });

  it('is packed by ticks, with the weight they come to', async () => {
    await renderWithKit(<OutingView id={marsh.id} />, { held: held() });
    fireEvent.press(await screen.findByRole('button', { name: 'Change the bag' }));
    const box = await screen.findByRole('checkbox', { name: demoOptics.wide20.data.name }, { timeout: 20_000 });
    expect(box).not.toBeChecked();
    fireEvent.press(box);
    fireEvent.press(screen.getByRole('button', { name: 'Packed' }));
    expect(sent()).toContain(demoOptics.wide20.id);
  });

  it('says that a subject is gone, and that there is no such outing', async () => {
    await renderWithKit(<OutingView id={marsh.id} />, { held: { ...held(), subjects: [] } });
    await screen.findByText(/Curlew: this subject is no longer in the list/, {}, { timeout: 20_000 });
    await renderWithKit(<OutingView id="none" />, { held: held() });
    expect(words()).toContain('There is no such outing in the Book.');
  });
});

describe('the card', () => {
  it('has three figures to be read in the dark, and what to do when it comes closer', async () => {
    await renderWithKit(<CardPage id={marsh.id} />, { held: held() });
    const curlew = await screen.findByLabelText('Curlew', {}, { timeout: 20_000 });
    expect(within(curlew).getByText('f/5.6')).toBeTruthy();
    expect(within(curlew).getByText(/^≤.1\/[\d,]+.s$/)).toBeTruthy();
    expect(words()).toMatch(/At 50 m: the distance to keep/);
    expect(words()).toMatch(/front key, held/);
  });
  it('of a night tells the exposure before stars run', async () => {
    await renderWithKit(<CardPage id={darkNight.id} />, { held: held() });
    await screen.findByLabelText('Winter triangle', {}, { timeout: 20_000 });
    expect(words()).toMatch(/12 s at most, before stars run/);
  });
});

describe('the lightest bag', () => {
  it('is a stair of bags, and packs the one chosen', async () => {
    await renderWithKit(<LightestPage id={marsh.id} />, { held: held() });
    await screen.findByLabelText('Bags, the lightest first', {}, { timeout: 20_000 });
    expect(words()).toMatch(/set-ups of the kit tried on 6 pictures\./);
    expect(words()).toMatch(/Roe deer is out of reach of the kit: Ostrel R45 \+ Ostrel 600 f\/5\.6 gives most/);
    const keys = screen.getAllByRole('button', { name: 'Pack this' });
    expect(keys.length).toBeGreaterThan(1);
    fireEvent.press(keys.at(-1)!);
    const { data } = useOutbox.getState().waiting.at(-1) as unknown as { data: Outing };
    expect(data.bag).toContainEqual({ type: 'optic', id: demoOptics.tele600.id });
    expect(data.bag).toContainEqual({ type: 'body', id: demoBodies.ostrel.id });
  });

  it('tries ways that are seldom meant when asked to', async () => {
    const adapters = demoHeld().adapters!.filter(({ id }) => id === demoAdapters.reversing.id);
    await renderWithKit(<LightestPage id={marsh.id} />, { held: { ...held(), adapters } });
    const tried = async (): Promise<number> => {
      await screen.findByLabelText('Bags, the lightest first', {}, { timeout: 60_000 });
      return Number(/([\d,]+) set-ups of the kit tried/.exec(words())![1]!.replace(',', ''));
    };
    const everyday = await tried();
    const box = { name: /^Also lenses turned round, coupled/ };
    fireEvent.press(screen.getByRole('checkbox', { ...box, checked: false }));
    screen.getByRole('checkbox', { ...box, checked: true });
    await waitFor(async () => expect(await tried()).toBeGreaterThan(everyday), { timeout: 60_000 });
  }, 120_000);
});

describe('editing a picture', () => {
  const kit = { subjects: demoHeld().subjects, outputs: demoHeld().outputs } as never;
  const [curlew] = marsh.data.wants;
  it('of another kind keeps what it has use for', () => {
    expect(withKind(curlew!, 'near', kit)).not.toHaveProperty('distanceM');
    expect(withKind(curlew!, 'stars', kit)).toMatchObject({ kind: 'stars', fieldDeg: 60, pictures: 400 });
    expect(withKind(withKind(curlew!, 'near', kit), 'far', kit)).toMatchObject({ distanceM: 60, name: 'Curlew' });
  });
  it('says what is lacking', () => {
    expect(lacking(curlew!, kit)).toBeNull();
    expect(lacking({ ...curlew!, distanceM: undefined }, kit)).toMatch(/from which distance/);
    expect(lacking({ ...curlew!, outputId: 'x' }, kit)).toMatch(/what the picture is for/);
    expect(lacking({ ...curlew!, subjectId: 'x' }, kit)).toMatch(/subject/);
    expect(lacking({ id: 'a', kind: 'stars', name: 'a', outputId: curlew!.outputId }, kit)).toMatch(/camera points/);
  });
  it('moves one up or down', () => {
    expect(
      movedWant(marsh.data.wants, 1, -1)
        .map(({ id }) => id)
        .slice(0, 2),
    ).toEqual(['redshank', 'curlew']);
  });
});
