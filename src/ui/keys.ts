/** Roles that answer to the space bar besides buttons, which do by themselves. */
const BY_SPACE = new Set(['radio', 'checkbox', 'switch']);
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * React Native's web build answers to the space bar for buttons only. This adds what the keyboard of a browser promises:
 * Space presses radio buttons, check boxes and switches; arrows go through the radio buttons of a group and choose. Where
 * nothing is chosen yet, pressing one acts at once: there arrows only move, and Space or Enter acts.
 *
 * @returns what undoes it
 */
export function addMissingKeys(page: Document): () => void {
  const onKeyDown = (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null;
    const role = target?.getAttribute('role');
    if (!target || !role || event.defaultPrevented || event.ctrlKey || event.altKey || event.metaKey) return;
    if (event.key === ' ' && BY_SPACE.has(role)) {
      event.preventDefault();
      target.click();
      return;
    }
    const step = STEPS[event.key];
    const group = role === 'radio' && step !== undefined ? target.closest('[role=radiogroup]') : null;
    if (!group || step === undefined) return;
    event.preventDefault();
    const radios = [...group.querySelectorAll<HTMLElement>('[role=radio]')];
    const next = radios[(radios.indexOf(target) + step + radios.length) % radios.length];
    next?.focus();
    if (radios.some((radio) => radio.getAttribute('aria-checked') === 'true')) next?.click();
  };
  page.addEventListener('keydown', onKeyDown);
  return () => page.removeEventListener('keydown', onKeyDown);
}
