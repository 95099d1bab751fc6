import { useEffect, useRef, useState } from 'react';
import type { StoredOf } from '@/contract/resources';
import type { PictureVerdict } from '@/contract/schemas/pictureGroup';
import { verdictOfKey } from './verdicts';

/** Whether what is typed belongs to a field. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Within a row of keys the arrows belong to it. */
const isRadio = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.getAttribute('role') === 'radio';

/**
 * Verdicts by keys: 1 to 5 judge the group that is marked and go on to the next, the arrows move the mark.
 *
 * @param on off while something lies over the list
 */
export function useVerdictKeys(
  groups: readonly StoredOf<'pictureGroups'>[],
  judge: (at: number, verdict: PictureVerdict) => void,
  on: boolean,
) {
  const firstOpen = groups.findIndex(({ data }) => !data.verdict);
  const [moved, setMoved] = useState<number | null>(null);
  const here = Math.min(groups.length - 1, moved ?? Math.max(0, firstOpen));
  const now = useRef({ here, judge, last: groups.length - 1 });
  useEffect(() => {
    now.current = { here, judge, last: groups.length - 1 };
  });
  useEffect(() => {
    if (!on) return undefined;
    const onKeyDown = (event: KeyboardEvent) => {
      const { last } = now.current;
      if (last < 0 || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const verdict = verdictOfKey(event.key);
      const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
      if (!verdict && (!step || isRadio(event.target))) return;
      // These keys try levers elsewhere; here they judge.
      event.preventDefault();
      event.stopImmediatePropagation();
      const at = now.current.here;
      if (verdict) now.current.judge(at, verdict);
      setMoved(Math.min(last, Math.max(0, at + (verdict ? 1 : step))));
    };
    document.addEventListener('keydown', onKeyDown, true);
    return () => document.removeEventListener('keydown', onKeyDown, true);
  }, [on]);
  return { here, setHere: setMoved };
}
