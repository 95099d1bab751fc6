/** A key one may press anywhere outside a field: what it does, in words, and which. */
export interface SingleKey {
  key: string;
  does: string;
}

/** Where a key leads, by its letter. */
export const PLACE_KEYS: Readonly<Record<string, string>> = {
  f: '/far',
  n: '/near',
  s: '/sky',
  m: '/bench',
  b: '/book',
  k: '/kit',
};

/** All of them, as they are told. */
export const SINGLE_KEYS: readonly SingleKey[] = [
  { key: 'F', does: 'Far' },
  { key: 'N', does: 'Near' },
  { key: 'S', does: 'Sky' },
  { key: 'M', does: 'Bench: measure a picture' },
  { key: 'B', does: 'Book' },
  { key: 'K', does: 'Kit' },
  { key: 'U', does: 'Set-ups' },
  { key: 'J', does: 'Subjects; under the sky place and night' },
  { key: '1 to 9', does: 'Try the first to the ninth lever, or take it back' },
  { key: 'A', does: 'Keep what is tried' },
  { key: 'R', does: 'Keep this reading' },
  { key: '?', does: 'This list' },
];

/** Whether what is pressed is being typed into something, or meant for something else. */
function isMeant(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (event.defaultPrevented || event.ctrlKey || event.altKey || event.metaKey) return false;
  // The focus reaches a sheet a moment after it opens; until then too the keys are not meant for what lies under it.
  if (document.querySelector('[aria-modal]')) return false;
  return !target?.closest?.('input, textarea, select, [contenteditable], [role=slider]');
}

const press = (selector: string, at = 0): void => {
  document.querySelectorAll<HTMLElement>(selector)[at]?.click();
};

/**
 * Does what a single key asks for, anywhere but in a field or an open sheet.
 *
 * @returns whether it was one
 */
export function answerKey(
  event: KeyboardEvent,
  go: (path: string) => void,
  open: (sheet: 'setup' | 'second' | 'keys') => void,
): boolean {
  if (!isMeant(event)) return false;
  const key = event.key.toLowerCase();
  const path = Object.hasOwn(PLACE_KEYS, key) ? PLACE_KEYS[key] : undefined;
  if (path) go(path);
  else if (key === 'u') open('setup');
  else if (key === 'j') open('second');
  else if (key === '?') open('keys');
  else if (/^[1-9]$/.test(key)) press('[data-testid=levers] [role=switch]', Number(key) - 1);
  else if (key === 'a') press('[data-testid=adopt]');
  else if (key === 'r') press('[data-testid=keep]');
  else return false;
  event.preventDefault();
  return true;
}
