import { wholePlan } from '@/core/near/otherRoutes';
import type { PlanNews, PlanOrder } from '@/core/near/planOrder';

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
