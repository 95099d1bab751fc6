import { wholePlan, type MeasuredChain, type OtherMeans } from '@/core/near/otherRoutes';
import type { ChainLink, RatioKit, RatioPlan } from '@/core/near/planRatio';

export interface PlanOrder {
  kit: RatioKit;
  means: OtherMeans;
  measured: MeasuredChain[];
  ratios: number[];
  present: ChainLink[];
}

/** What the worker tells: how far it is, then the plan of each ratio. */
export type PlanNews = { share: number } | { plans: RatioPlan[] };

interface WorkerScope {
  onmessage: ((event: MessageEvent<PlanOrder>) => void) | null;
  postMessage: (news: PlanNews) => void;
}

const scope = globalThis as unknown as WorkerScope;
scope.onmessage = ({ data: { ratios, ...order } }) => {
  const plans = ratios.map((ratio, i) =>
    wholePlan(order, ratio, (share) => scope.postMessage({ share: (i + share) / ratios.length })),
  );
  scope.postMessage({ plans });
};
