import { useEffect, useMemo, useState } from 'react';
import { NOTHING_LEARNED } from '@/core/learned/own';
import { askLearning, type LearnOrder } from './learnWork';
import { useLearned } from './learned';
import { useLearnOrder } from './useLearnOrder';

const isEmpty = ({ groups, evidence: { held, stars, byHand } }: LearnOrder): boolean =>
  ![groups, held, stars, byHand].some((each) => each?.length);

/** Learns from the Book whenever it changes, and tells all desks. */
export function useLearning(): void {
  const { order, failed, retry } = useLearnOrder();
  const key = useMemo(() => order && JSON.stringify(order), [order]);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    useLearned.setState({
      failed,
      retry: () => {
        retry();
        setTries((count) => count + 1);
      },
    });
    // How rows are asked for again does not change with them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [failed]);
  useEffect(() => {
    if (!order) return undefined;
    useLearned.setState({ judged: order.groups.length });
    if (isEmpty(order)) {
      useLearned.setState({ learned: NOTHING_LEARNED, failed: false });
      return undefined;
    }
    return askLearning(
      order,
      (learned) => useLearned.setState({ learned, failed: false }),
      () => useLearned.setState({ failed: true }),
    );
    // The key stands for all of the order.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, tries]);
}
