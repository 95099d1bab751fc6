import { wholePlan } from '@/core/near/otherRoutes';
import type { PlanNews, PlanOrder } from '@/core/near/planOrder';
import { onAsked, teller } from './talk';

const tell = teller<PlanNews>();

onAsked<PlanOrder>(({ ratios, ...order }) => {
  const plans = ratios.map((ratio, i) =>
    wholePlan(order, ratio, (share) => tell({ share: (i + share) / ratios.length })),
  );
  tell({ plans });
});
