const mockOwn = jest.fn<unknown, unknown[]>();
jest.mock('expo/src/async-require/asyncRequireModule', () =>
  Object.assign((...asked: unknown[]): unknown => mockOwn(...asked), { prefetch: () => 'prefetch' }),
);

type Load = (id: number, paths: Record<string, string> | null) => unknown;
const later = jest.requireActual<Load & { prefetch: () => string }>('./asyncRequire');

const SHARED = '/_expo/static/js/web/__common-1.js';
const loaded: string[] = [];

/** A page whose head notes the shared part, or does not. */
function page(note: string | null) {
  const meta = note === null ? null : { getAttribute: () => note };
  Object.assign(globalThis, {
    document: { querySelector: (asked: string) => (asked === 'meta[name="shared-part"]' ? meta : null) },
    __loadBundleAsync: (address: string) => {
      loaded.push(address);
      return Promise.resolve();
    },
  });
}

beforeEach(() => {
  loaded.length = 0;
  mockOwn.mockReset().mockImplementation(() => Promise.resolve('the part'));
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'document');
  Reflect.deleteProperty(globalThis, '__loadBundleAsync');
});

it('fetches the shared part before any that comes later', async () => {
  page(SHARED);
  mockOwn.mockImplementation(() =>
    loaded.includes(SHARED) ? Promise.resolve('the part') : Promise.reject(new Error('early')),
  );
  await expect(later(7, { 7: '/desks.js' })).resolves.toBe('the part');
  expect(loaded).toEqual([SHARED]);
});

it('leaves it alone for what came with the first view', async () => {
  page(SHARED);
  await expect(later(7, {})).resolves.toBe('the part');
  await expect(later(7, null)).resolves.toBe('the part');
  expect(loaded).toEqual([]);
});

it('finds what stands in the shared part itself, which has no address of its own', async () => {
  page(SHARED);
  mockOwn.mockImplementationOnce(() => {
    throw new Error('Requiring unknown module "7".');
  });
  await expect(later(7, {})).resolves.toBe('the part');
  expect(loaded).toEqual([SHARED]);
});

it('says what is at fault where there is no shared part: in development, in a worker', async () => {
  mockOwn.mockImplementationOnce(() => {
    throw new Error('at fault');
  });
  expect(() => later(7, {})).toThrow('at fault');
  page(null);
  await expect(later(7, { 7: '/desks.js' })).resolves.toBe('the part');
  expect(loaded).toEqual([]);
});

it('does not call a part there while the shared one cannot be had', async () => {
  page(SHARED);
  Object.assign(globalThis, { __loadBundleAsync: () => Promise.reject(new Error('Loading module failed.')) });
  await expect(later(7, { 7: '/desks.js' })).rejects.toThrow('Loading module failed.');
  expect(mockOwn).not.toHaveBeenCalled();
});

it('passes on what else the bundler asks of it', () => {
  expect(later.prefetch()).toBe('prefetch');
});
