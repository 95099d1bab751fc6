import fs from 'node:fs';

const source = fs.readFileSync('public/anew.js', 'utf8');

/** A window that shows one version while the worker keeps another, as anew.js meets it. */
function aWindow(
  shown: string,
  kept: string | null,
  controlled = true,
  stored = new Map<string, string>(),
  holds: { text: boolean; field?: { tagName: string; type: string; value: string } } = { text: false },
) {
  const listeners = new Map<string, () => void>();
  const container: { controller: object | null; addEventListener: (name: string, hear: () => void) => void } = {
    controller: controlled ? {} : null,
    addEventListener: (name: string, hear: () => void) => listeners.set(name, hear),
  };
  const reload = jest.fn();
  const fetched = jest.fn(() =>
    kept === null
      ? Promise.reject(new TypeError('out of reach'))
      : Promise.resolve({ ok: true, text: () => Promise.resolve(`<!doctype html><html lang="en" ${kept}><head>`) }),
  );
  const storage = {
    getItem: (name: string) => stored.get(name) ?? null,
    setItem: (name: string, value: string) => stored.set(name, value),
  };
  const listen = (name: string, hear: () => void) => listeners.set(name, hear);
  const said: string[] = [];
  const later: (() => void)[] = [];
  const page = {
    documentElement: {
      dataset: {
        version: shown,
        get holds() {
          return holds.text ? '1' : undefined;
        },
      },
    },
    querySelector: () => null,
    get activeElement() {
      return holds.field ?? null;
    },
  };
  new Function(
    'navigator',
    'location',
    'document',
    'sessionStorage',
    'addEventListener',
    'fetch',
    'dispatchEvent',
    'setTimeout',
    source,
  )(
    { serviceWorker: container },
    { reload },
    page,
    storage,
    listen,
    fetched,
    (event: Event) => said.push(event.type),
    (work: () => void) => later.push(work),
  );
  const wait = () => later.splice(0).forEach((work) => work());
  const loaded = async () => {
    listeners.get('load')!();
    for (let i = 0; i < 10; i += 1) await Promise.resolve();
  };
  const taken = () => {
    container.controller = {};
    listeners.get('controllerchange')!();
  };
  const lost = () => {
    container.controller = null;
    listeners.get('controllerchange')!();
  };
  return { reload, fetched, loaded, stored, taken, lost, said, wait };
}

it('begins anew when another version takes over, not when the first one comes', () => {
  const there = aWindow('a', 'data-version="a"');
  there.taken();
  expect(there.reload).toHaveBeenCalledTimes(1);
  const fresh = aWindow('a', 'data-version="a"', false);
  fresh.taken();
  expect(fresh.reload).not.toHaveBeenCalled();
  fresh.taken();
  expect(fresh.reload).toHaveBeenCalledTimes(1);
});

it('begins anew once when another version took over while the page was on its way', async () => {
  const late = aWindow('a', 'data-version="b"');
  await late.loaded();
  expect(late.fetched).toHaveBeenCalledWith('/index.html');
  expect(late.reload).toHaveBeenCalledTimes(1);
  // Should the old page come again, it stays: no circle.
  const again = aWindow('a', 'data-version="b"', true, late.stored);
  await again.loaded();
  expect(again.reload).not.toHaveBeenCalled();
  // A later version is another matter.
  const later = aWindow('a', 'data-version="c"', true, late.stored);
  await later.loaded();
  expect(later.reload).toHaveBeenCalledTimes(1);
});

it('goes on with the version that is kept, without a worker, out of reach, and where no version is told', async () => {
  for (const each of [
    aWindow('a', 'data-version="a"'),
    aWindow('a', 'data-version="b"', false),
    aWindow('a', null),
    aWindow('a', ''),
  ]) {
    await each.loaded();
    expect(each.reload).not.toHaveBeenCalled();
  }
});

it('waits in a window that holds unsaved text, says so, and begins anew once it does not', () => {
  const holds = { text: true };
  const other = aWindow('a', 'data-version="a"', true, new Map(), holds);
  other.taken();
  other.wait();
  expect(other.reload).not.toHaveBeenCalled();
  expect(other.said).toEqual(['jauge.newer']);
  holds.text = false;
  other.wait();
  expect(other.reload).toHaveBeenCalledTimes(1);
});

it('waits while a field is being typed in, also where the page came late', async () => {
  const field = { tagName: 'INPUT', type: 'text', value: '45' };
  for (const hears of ['taken', 'loaded'] as const) {
    const holds = { text: false, field: { ...field } };
    const typing = aWindow('a', 'data-version="b"', true, new Map(), holds);
    await typing[hears]();
    typing.wait();
    expect(typing.reload).not.toHaveBeenCalled();
    holds.field.value = '';
    typing.wait();
    expect(typing.reload).toHaveBeenCalledTimes(1);
  }
});

it('begins anew at once where it was asked for, unsaved text or not: its drafts are kept', () => {
  const asked = aWindow('a', 'data-version="a"', true, new Map([['jauge.callsNewer', '1']]), { text: true });
  asked.taken();
  expect(asked.reload).toHaveBeenCalledTimes(1);
});

it('goes on where the worker is gone without another one', () => {
  const full = aWindow('a', 'data-version="a"');
  full.lost();
  expect(full.reload).not.toHaveBeenCalled();
});
