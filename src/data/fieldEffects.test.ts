import { keepAwake, useAwake } from './keepAwake';
import { nightByItself } from './nightByItself';
import { usePreferences } from './preferences';

type Mutable = { document?: unknown; navigator?: unknown };
const globals = globalThis as Mutable;
const settled = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};

describe('the screen that stays on', () => {
  let shown: () => void;
  let visibility: string;
  const release = jest.fn(() => Promise.resolve());
  const request = jest.fn(() => Promise.resolve({ release }));

  beforeEach(() => {
    visibility = 'visible';
    globals.document = {
      get visibilityState() {
        return visibility;
      },
      addEventListener: (_: string, heard: () => void) => (shown = heard),
      removeEventListener: () => (shown = () => undefined),
    };
    globals.navigator = { wakeLock: { request } };
    request.mockClear();
    release.mockClear();
  });
  afterEach(() => {
    delete globals.document;
    delete globals.navigator;
  });

  it('is taken again when the page comes back, and let go of in the end', async () => {
    const end = keepAwake();
    await settled();
    expect(useAwake.getState().state).toBe('on');
    visibility = 'hidden';
    shown();
    await settled();
    expect(request).toHaveBeenCalledTimes(1);
    visibility = 'visible';
    shown();
    await settled();
    expect(request).toHaveBeenCalledTimes(2);
    end();
    expect(release).toHaveBeenCalledTimes(1);
    expect(useAwake.getState().state).toBe('off');
    shown();
    await settled();
    expect(request).toHaveBeenCalledTimes(2);
  });

  it('is let go of at once when it comes after the end', async () => {
    keepAwake()();
    await settled();
    expect(release).toHaveBeenCalledTimes(1);
    expect(useAwake.getState().state).toBe('off');
  });

  it.each([
    ['a browser that has none', {}],
    ['one that saves the battery', { wakeLock: { request: () => Promise.reject(new Error('NotAllowedError')) } }],
  ])('is refused by %s, and that is said', async (_, navigator) => {
    globals.navigator = navigator;
    const end = keepAwake();
    await settled();
    expect(useAwake.getState().state).toBe('refused');
    end();
  });
});

describe('the look by the light at a place', () => {
  const site = { name: 'Marsh', latitudeDeg: 52, longitudeDeg: 0, heightM: 0, timeZone: 'Europe/London' };
  const NOON = Date.UTC(2026, 10, 27, 12);
  const EVENING = Date.UTC(2026, 10, 27, 19);
  const look = () => usePreferences.getState().look;
  const runs: (() => void)[] = [];

  beforeEach(() => {
    runs.length = 0;
    jest.spyOn(globalThis, 'setInterval').mockImplementation(((run: () => void) => runs.push(run)) as never);
    usePreferences.setState({ look: 'day' });
  });
  afterEach(() => jest.restoreAllMocks());
  const at = async (ms: number, run: () => void) => {
    jest.spyOn(Date, 'now').mockReturnValue(ms);
    run();
    for (let i = 0; i < 20; i++) await new Promise((resolve) => setImmediate(resolve));
  };

  it('changes with the light, and leaves what the person chooses in between', async () => {
    let end: () => void = () => undefined;
    await at(NOON, () => (end = nightByItself(site as never)));
    expect(look()).toBe('day');
    await at(EVENING, runs[0]!);
    expect(look()).toBe('night');
    // By hand, to read a map.
    usePreferences.setState({ look: 'day' });
    await at(EVENING + 60_000, runs[0]!);
    expect(look()).toBe('day');
    usePreferences.setState({ look: 'dim' });
    await at(NOON + 24 * 3600_000, runs[0]!);
    expect(look()).toBe('day');
    end();
    await at(EVENING, runs[0]!);
    expect(look()).toBe('day');
  });

  it('is dark at once when it is opened in the dark, a dimmer night left as it is', async () => {
    await at(EVENING, () => void nightByItself(site as never));
    expect(look()).toBe('night');
    usePreferences.setState({ look: 'dim' });
    await at(EVENING, () => void nightByItself(site as never));
    expect(look()).toBe('dim');
  });
});
