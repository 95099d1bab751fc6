import { otherRoutes, type OtherMeans } from '@/core/near/otherRoutes';
import { planRatio, type ChainLink, type RatioKit, type RatioPlan } from '@/core/near/planRatio';

export interface PlanOrder {
  kit: RatioKit;
  means: OtherMeans;
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
scope.onmessage = ({ data: { kit, means, ratios, present } }) => {
  const plans = ratios.map((ratio, i) => {
    const plan = planRatio(kit, ratio, present, (share) => scope.postMessage({ share: (i + share) / ratios.length }));
    const others = otherRoutes(kit, means, ratio, present);
    return { ...plan, reaching: plan.reaching + others.length, routes: [...plan.routes, ...others] };
  });
  scope.postMessage({ plans });
};
