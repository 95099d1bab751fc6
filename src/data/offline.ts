import { create } from 'zustand';
import { tell } from './outbox/tabs';

/** How far this device can do without the server. */
interface Offline {
  /** `ready`: every file of the application lies on the device; `untrusted`: the browser keeps none of a computer it does not trust. */
  state: 'no' | 'fetching' | 'ready' | 'untrusted';
  /** A newer version lies ready and waits until the person takes it. */
  newer: boolean;
  /** Another window took a newer version; this one begins anew once nothing here is unsaved. */
  takenElsewhere: boolean;
  /** The browser offers to put the application on the home screen. */
  offers: InstallOffer | null;
}

/** What some browsers hand over when an application may be put on the home screen. */
interface InstallOffer extends Event {
  prompt: () => Promise<unknown>;
}

export const useOffline = create<Offline>()(() => ({ state: 'no', newer: false, takenElsewhere: false, offers: null }));

const HOUR_MS = 3600_000;

/** Follows what becomes of a worker that is being installed. */
function follow(worker: ServiceWorker, replaces: boolean): void {
  const look = () => {
    if (worker.state === 'installed' && replaces) useOffline.setState({ newer: true });
    if (worker.state === 'activated') useOffline.setState({ state: 'ready', newer: false });
    // The browser has no room, or a file did not come: the next start tries again.
    if (worker.state === 'redundant' && !replaces) useOffline.setState({ state: 'no' });
  };
  worker.addEventListener('statechange', look);
  look();
}

/**
 * Has the browser keep every file of the application (`sw.js`, made at build). A page goes on with the files it began with;
 * when another version takes over, which the person decides, every window that holds nothing unsaved begins anew with it
 * (`public/anew.js`).
 */
export async function keepFiles(): Promise<void> {
  if (process.env.NODE_ENV !== 'production') return;
  followOffers();
  const container = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (!container) return;
  const registration = await container.register('/sw.js').catch(() => null);
  // A certificate the person passed over, or storage that is blocked: the server serves as before.
  if (!registration) {
    if (window.location.protocol === 'https:' && navigator.onLine) useOffline.setState({ state: 'untrusted' });
    return;
  }
  const replaces = registration.active !== null;
  useOffline.setState({ state: replaces ? 'ready' : 'fetching' });
  if (registration.waiting) follow(registration.waiting, replaces);
  if (registration.installing) follow(registration.installing, replaces);
  registration.addEventListener('updatefound', () => {
    if (registration.installing) follow(registration.installing, registration.active !== null);
  });
  window.addEventListener('jauge.newer', () => useOffline.setState({ takenElsewhere: true }));
  goOnTaking();
  setInterval(() => void registration.update().catch(() => undefined), HOUR_MS);
}

/** A version that is called takes over within this, unless something holds it back, ms. */
const CALLED_MS = 1200;
/** So often a window begins anew to let go of what holds it back. */
const MOST_CALLS = 8;
const CALLS = 'jauge.callsNewer';

const calls = {
  made: (): number => Number(sessionStorage.getItem(CALLS) ?? 0),
  count: () => sessionStorage.setItem(CALLS, String(calls.made() + 1)),
  end: () => sessionStorage.removeItem(CALLS),
};

/**
 * Takes the newer version: this window begins anew with it, and every other one that holds nothing unsaved. The browser lets it wait on while any request of
 * a window is not quite through; then the windows begin anew by themselves, which ends those, and it is called again.
 */
export async function takeNewer(): Promise<void> {
  const registration = await navigator.serviceWorker.getRegistration();
  if (!registration?.waiting) return calls.end();
  calls.count();
  registration.waiting.postMessage({ type: 'SKIP_WAITING' });
  setTimeout(() => {
    if (!registration.waiting) return calls.end();
    // The others first: this window's own beginning must not overlap theirs.
    tell({ kind: 'newer' });
    setTimeout(() => window.location.reload(), CALLED_MS);
  }, CALLED_MS);
}

/** Goes on taking what was being taken when this window began anew. */
function goOnTaking(): void {
  if (calls.made() === 0) return;
  if (calls.made() >= MOST_CALLS) return calls.end();
  void takeNewer();
}

/** Keeps the browser's offer until the person asks for it, instead of the browser's own bar over the page. */
function followOffers(): void {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    useOffline.setState({ offers: event as InstallOffer });
  });
  window.addEventListener('appinstalled', () => useOffline.setState({ offers: null }));
}

/** Takes the browser's offer up; it holds once. */
export async function putOnDevice(): Promise<void> {
  const { offers } = useOffline.getState();
  useOffline.setState({ offers: null });
  await offers?.prompt();
}
