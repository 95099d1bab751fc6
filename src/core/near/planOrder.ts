import type { MeasuredChain, OtherMeans } from './otherRoutes';
import type { ChainLink } from './ratioRoutes';
import type { RatioKit, RatioPlan } from './planRatio';

/** What a search for ratios is given, as it goes to the worker. */
export interface PlanOrder {
  kit: RatioKit;
  means: OtherMeans;
  measured: MeasuredChain[];
  ratios: number[];
  present: ChainLink[];
}

/** What the worker tells: how far it is, then the plan of each ratio. */
export type PlanNews = { share: number } | { plans: RatioPlan[] };
