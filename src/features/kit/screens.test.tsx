import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { demoAdapters, demoBodies, demoOptics, demoSetups, demoSubjects } from '@/demo/kit';
import { PART_WORDS } from '@/core/kit/words';
import { useKitList } from './kitListState';
import { useHands, useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { useNotice } from '@/data/notice';
import { useOutbox } from '@/data/outbox';
import { demoHeld, renderWithKit, words } from '../../../tests/support/renderWithKit';
import KitList from './KitList';
import PartPage from './PartPage';
import SetupSheet from './SetupSheet';
import SubjectSheet from './SubjectSheet';
import { CompareKit } from './compare/CompareKit';
import { NoticeBar } from '../slate/NoticeBar';
import PreferencesSheet from '../slate/PreferencesSheet';
import { Slate } from '../slate/Slate';

const mockGo = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({
    push: (to: string) => mockGo(to),
    back: jest.fn(),
    canGoBack: () => false,
    replace: (to: string) => mockGo(to),
  }),
}));

const [handsStart, preferencesStart] = [useHands.getState(), usePreferences.getState()];
const notice = useNotice.getState();
// Nothing is sent: what waits is looked at.
jest.mock('@/data/outbox/sending', () => ({
  flush: () => Promise.resolve(),
  sendWaiting: () => Promise.resolve(),
}));
const close = jest.fn();
beforeEach(() => {
  useKitList.setState({ sought: '', filter: 'all', sort: 'name', ticked: [] });
  mockGo.mockClear();
  close.mockClear();
  useHands.setState(handsStart, true);
  usePreferences.setState(preferencesStart, true);
  useNotice.setState(notice, true);
  useOutbox.setState({ waiting: [], refused: [] });
});
afterEach(() => jest.restoreAllMocks());

describe('the slate', () => {
  it('tells what is in hand; under the sky, where and when', async () => {
    await renderWithKit(<Slate at="far" />);
    expect(words()).toContain('Marsh hide Ostrel R45 + Ostrel 600 f/5.6');
    expect(words()).toContain('Curlew at 60 m');
    await renderWithKit(<Slate at="sky" />);
    expect(words()).toContain('Place tonight');
    expect(words()).not.toContain('Curlew');
  });

  it('tells close up how large the subject is, and a set-up named after its parts once', async () => {
    await renderWithKit(<Slate at="near" />);
    expect(words()).toContain('Curlew 550 mm');
    const { id, data } = demoSetups.hide;
    const [createdAt, updatedAt] = ['2026-11-01T08:00:00.000Z', '2026-11-01T08:00:00.000Z'];
    const named = { ...data, name: 'Ostrel R45 + Ostrel 600 f/5.6', namedAfterParts: true };
    const setups = [{ id, version: 1, createdAt, updatedAt, data: named }];
    await renderWithKit(<Slate at="far" />, { held: { ...demoHeld(), setups } });
    expect(screen.getByLabelText('Set-up: Ostrel R45, Ostrel 600 f/5.6. Change')).toBeTruthy();
  });

  it('tells how to start with nothing, and waits while the kit is on its way', async () => {
    await renderWithKit(<Slate at="far" />, { held: {} });
    expect(words()).toContain('None yet Tap to start');
    await renderWithKit(<Slate at="far" />, { silent: true });
    expect(words()).toContain('…');
  });

  it('goes from day to night, a step darker, and back', async () => {
    await renderWithKit(<Slate at="far" />);
    fireEvent.press(screen.getByLabelText('Night look'));
    expect(usePreferences.getState().look).toBe('night');
    fireEvent.press(screen.getByLabelText('Dimmer'));
    expect(usePreferences.getState().look).toBe('dim');
    fireEvent.press(screen.getByLabelText('Brighter'));
    expect(usePreferences.getState().look).toBe('night');
    fireEvent.press(screen.getByLabelText('Day look'));
    expect(usePreferences.getState().look).toBe('day');
    expect(screen.queryByLabelText('Dimmer')).toBeNull();
  });

  it('keeps units and schools', async () => {
    await renderWithKit(<PreferencesSheet onClose={close} />);
    fireEvent.press(screen.getByText('Feet, inches'));
    fireEvent.press(screen.getByText('All of them'));
    expect(usePreferences.getState()).toMatchObject({ units: 'imperial', judgeBy: 'sampled' });
  });
});

describe('the set-ups', () => {
  it('are taken with one tap', async () => {
    await renderWithKit(<SetupSheet onClose={close} />);
    fireEvent.press(screen.getByLabelText(/^Take Light bag/));
    expect(useInHand.now().setupId).toBe(demoSetups.lightBag.id);
    expect(close).toHaveBeenCalled();
  });

  it('start with a body, then ask for a lens', async () => {
    await renderWithKit(<SetupSheet onClose={close} />, { held: {} });
    expect(words()).toContain('No set-up yet. Close this, and the page behind it leads to one in a few taps.');
    await renderWithKit(<SetupSheet onClose={close} />, { held: { bodies: demoHeld().bodies!.slice(0, 1) } });
    expect(words()).toContain('One body is in the kit. A lens makes the first set-up.');
    fireEvent.press(screen.getByText('Add a lens'));
    expect(mockGo).toHaveBeenCalledWith('/kit/optics/new?kind=lens');
  });

  it('hide what is retired unless it is in hand', async () => {
    const held = demoHeld();
    held.setups = held.setups!.map((row) =>
      row.id === demoSetups.lightBag.id ? { ...row, data: { ...demoSetups.lightBag.data, retired: true } } : row,
    );
    await renderWithKit(<SetupSheet onClose={close} />, { held });
    expect(words()).not.toContain('Light bag');
    useInHand.now().chooseSetup(demoSetups.lightBag.id);
    await renderWithKit(<SetupSheet onClose={close} />, { held });
    expect(words()).toContain('Light bag');
  });
});

describe('what is offered', () => {
  it('is what one carries; the one in hand stays, and what is heavier is counted', async () => {
    await renderWithKit(<SetupSheet onClose={close} />);
    expect(words()).toContain('Planet night');
    fireEvent.press(screen.getByText('Carried by hand'));
    await renderWithKit(<SetupSheet onClose={close} />);
    expect(words()).toContain('Light bag');
    expect(words()).not.toContain('Planet night');
    expect(words()).toMatch(/(One set-up is|\d set-ups are) heavier than that\./);
    fireEvent.press(screen.getByText('Fits a bag'));
    usePreferences.getState().prefer({ bagKg: 0.1 });
    await renderWithKit(<SetupSheet onClose={close} />);
    expect(words()).not.toContain('Light bag');
    expect(words()).toContain('Marsh hide');
    usePreferences.getState().prefer({ bagKg: 100 });
    await renderWithKit(<SetupSheet onClose={close} />);
    expect(words()).toContain('Planet night');
  });
});

describe('the form of a lens', () => {
  const enter = (label: string, text: string) => {
    fireEvent.changeText(screen.getByLabelText(label), text);
    fireEvent(screen.getByLabelText(label), 'blur');
  };
  const opened = () => renderWithKit(<PartPage resource="optics" id="new" kind="lens" />);
  const saved = () => useOutbox.getState().waiting.at(-1) as { data?: Record<string, unknown> } | undefined;

  it('asks one focal length and one f-number of a prime, and the second of a zoom', async () => {
    await opened();
    expect(screen.queryByLabelText(/^Longest focal length/)).toBeNull();
    enter('Focal length, mm', '300');
    enter('Widest f/', '2,8');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() =>
      expect(saved()?.data).toMatchObject({ focalWideMm: 300, focalTeleMm: 300, fNumberWide: 2.8, fNumberTele: 2.8 }),
    );
    await opened();
    fireEvent.press(screen.getByText('Zoom'));
    enter('Shortest focal length, mm', '100');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(saved()?.data).toMatchObject({ focalWideMm: 100, focalTeleMm: 400 }));
    // Back to one: what is not seen any more is not kept.
    await opened();
    fireEvent.press(screen.getByText('Zoom'));
    enter('Shortest focal length, mm', 'nothing');
    fireEvent.press(screen.getByText('One focal length'));
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(saved()?.data).toMatchObject({ focalWideMm: 400, focalTeleMm: 400 }));
  });

  it('offers the set-up it makes, and says when another part has its name', async () => {
    await opened();
    fireEvent.changeText(screen.getByLabelText('Name'), ' ostrel 600 F/5.6');
    expect(words()).toContain('Another part is called “ostrel 600 F/5.6” too');
    fireEvent.changeText(screen.getByLabelText('Name'), 'Quillon 300');
    expect(words()).not.toContain('Another part is called');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(useNotice.getState().notice?.action?.title).toBe('Take it on Ostrel R45'));
    act(() => useNotice.getState().notice?.action?.run());
    expect(saved()).toMatchObject({
      resource: 'setups',
      data: { bodyId: demoBodies.ostrel.id, name: 'Ostrel R45 + Quillon 300', namedAfterParts: true },
    });
  });

  it('can be begun for every kind of part there is', async () => {
    await renderWithKit(<KitList />);
    fireEvent.press(screen.getByText('Add a part'));
    for (const { name } of Object.values(PART_WORDS)) expect(screen.getByText(name)).toBeTruthy();
  });
});

describe('the subjects', () => {
  it('are taken with one tap', async () => {
    await renderWithKit(<SubjectSheet onClose={close} />);
    fireEvent.press(screen.getByLabelText('Take Tiger beetle'));
    expect(useInHand.now().subjectId).toBe(demoSubjects.tigerBeetle.id);
    expect(close).toHaveBeenCalled();
  });

  it('say so when there is none', async () => {
    await renderWithKit(<SubjectSheet onClose={close} />, { held: {} });
    expect(words()).toContain('No subject yet. Add one: its kind, its size, and how far away it is.');
  });
});

describe('the kit', () => {
  it('is sought and says when nothing matches', async () => {
    await renderWithKit(<KitList />);
    expect(words()).toContain('Ostrel R45');
    fireEvent.changeText(screen.getByLabelText(/^Seek/), 'planet camera');
    expect(words()).toContain('Quillon P4 planet camera');
    expect(words()).not.toContain('Ostrel R45');
    fireEvent.changeText(screen.getByLabelText(/^Seek/), 'nothing like it');
    expect(words()).toContain('Nothing of the kit matches.');
  });

  it('shows a part’s card with where it is used', async () => {
    await renderWithKit(<PartPage resource="bodies" id={demoBodies.ostrel.id} kind={undefined} />);
    expect(words()).toContain('Ostrel R45');
    expect(words()).toContain('Marsh hide');
    await renderWithKit(<PartPage resource="adapters" id={demoAdapters.barlow15.id} kind={undefined} />);
    expect(words()).toContain('Quillon ×1.5 Barlow');
  });

  it('says so at an address that names nothing', async () => {
    await renderWithKit(<PartPage resource="shoes" id="1" kind={undefined} />);
    expect(words()).toContain('There is no such shelf in the kit.');
    await renderWithKit(<PartPage resource="optics" id="00000000-0000-4000-8000-0000000000ff" kind={undefined} />);
    expect(words()).toMatch(/no such|not in the kit/i);
  });

  it('lays bodies and optics beside each other, and asks for two', async () => {
    await renderWithKit(<CompareKit what="bodies" ids={[demoBodies.ostrel.id, demoBodies.planetCamera.id]} />);
    expect(words()).toContain('Ostrel R45');
    expect(words()).toContain('Quillon P4 planet camera');
    await renderWithKit(<CompareKit what="optics" ids={[demoOptics.refractor.id, demoOptics.reflector.id]} />);
    expect(words()).toContain('Merrow 180 long reflector');
    await renderWithKit(<CompareKit what="bodies" ids={[demoBodies.ostrel.id]} />);
    expect(words()).toContain('Tick two to four bodies');
    expect(words()).not.toMatch(/NaN|undefined/);
  });
});

it('a notice stands until it is taken away, with the way back', async () => {
  const undo = jest.fn();
  useNotice.getState().show({ text: 'Deleted the lens.', action: { title: 'Undo', run: undo } });
  await renderWithKit(<NoticeBar />);
  expect(words()).toContain('Deleted the lens.');
  fireEvent.press(screen.getByText('Undo'));
  expect(undo).toHaveBeenCalled();
});
