import { useMemo } from 'react';
import { useInHand } from './inHand';
import type { Chosen } from './situation';

/** What is chosen, as one value that changes only when a part of it does. */
export function useChosen(): Chosen {
  const setupId = useInHand((state) => state.setupId);
  const subjectId = useInHand((state) => state.subjectId);
  const outputId = useInHand((state) => state.outputId);
  const distanceM = useInHand((state) => state.distanceM);
  const focalMm = useInHand((state) => state.focalMm);
  const modeId = useInHand((state) => state.modeId);
  const converterIds = useInHand((state) => state.converterIds);
  const chain = useInHand((state) => state.chain);
  const nearRatio = useInHand((state) => state.nearRatio);
  const nearFNumber = useInHand((state) => state.nearFNumber);
  const trials = useInHand((state) => state.trials);
  const cropConvention = useInHand((state) => state.cropConvention);
  const judgeBy = useInHand((state) => state.judgeBy);
  return useMemo(
    () => ({
      setupId,
      subjectId,
      outputId,
      distanceM,
      focalMm,
      modeId,
      converterIds,
      chain,
      nearRatio,
      nearFNumber,
      trials,
      cropConvention,
      judgeBy,
    }),
    [
      setupId,
      subjectId,
      outputId,
      distanceM,
      focalMm,
      modeId,
      converterIds,
      chain,
      nearRatio,
      nearFNumber,
      trials,
      cropConvention,
      judgeBy,
    ],
  );
}
