import { useEffect, useMemo, useState } from 'react';
import type { BagAnswer } from '@/core/outing/answerBag';
import type { BagOrder } from '@/core/outing/bagOrder';
import { askBag } from './bagWork';

/** How far the bag's worker is. */
export type BagWork =
  | { state: 'idle' }
  | { state: 'working'; share: number; stop: () => void }
  | { state: 'stopped'; failed: boolean; goOn: () => void }
  | { state: 'done'; answer: BagAnswer };

/** Answers of this session, by what was asked: a page opened again is there at once. */
const known = new Map<string, BagAnswer>();
const MOST_KNOWN = 12;

/** One that was found is kept; the oldest gives way. */
function remember(key: string, answer: BagAnswer): void {
  known.set(key, answer);
  if (known.size > MOST_KNOWN) known.delete(known.keys().next().value!);
}

/** All that an order asks, as text. */
const nameOf = (order: BagOrder): string =>
  JSON.stringify({ ...order, ...('carried' in order ? { carried: [...order.carried] } : {}) });

/**
 * Has an order worked out away from the page, with progress and a way to stop it.
 *
 * @param order what is asked; null while it is not known whole
 */
export function useBagWork(order: BagOrder | null): BagWork {
  const key = useMemo(() => (order ? nameOf(order) : null), [order]);
  const [done, setDone] = useState<{ key: string; answer: BagAnswer } | null>(null);
  const [progress, setProgress] = useState<{ key: string; share: number } | null>(null);
  const [stopped, setStopped] = useState<{ key: string; failed: boolean } | null>(null);
  const answer = key === null ? null : done?.key === key ? done.answer : (known.get(key) ?? null);
  const isStopped = stopped?.key === key;
  useEffect(() => {
    if (order === null || key === null || answer || isStopped) return undefined;
    return askBag(
      order,
      (share) => setProgress({ key, share }),
      (found) => {
        remember(key, found);
        setDone({ key, answer: found });
      },
      () => setStopped({ key, failed: true }),
    );
    // The key stands for all of the order.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, answer, isStopped]);
  if (key === null) return { state: 'idle' };
  if (answer) return { state: 'done', answer };
  if (isStopped) return { state: 'stopped', failed: stopped?.failed ?? false, goOn: () => setStopped(null) };
  const share = progress?.key === key ? progress.share : 0;
  return { state: 'working', share, stop: () => setStopped({ key, failed: false }) };
}
