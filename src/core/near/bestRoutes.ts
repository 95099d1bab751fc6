import { RATIO_ORDERS, scoreOf, type Merits, type RatioRoute } from './ratioRoutes';

/** Up to so many routes all are kept; of more, so many of each order. */
export const ALL_KEPT = 2000;
export const KEPT = 240;

/** Keeps all routes while they are few, then the best of each order; a route is written out only when it is kept. */
export class BestRoutes {
  private every: { merits: Merits; route: RatioRoute }[] | null = [];
  private readonly kept = RATIO_ORDERS.map((order) => ({
    order,
    worst: Infinity,
    routes: [] as { score: number; route: RatioRoute }[],
  }));

  offer(merits: Merits, write: () => RatioRoute): void {
    if (this.every === null) return this.rank(merits, write);
    this.every.push({ merits, route: write() });
    if (this.every.length <= ALL_KEPT) return;
    const all = this.every;
    this.every = null;
    for (const each of all) this.rank(each.merits, () => each.route);
  }

  private rank(merits: Merits, write: () => RatioRoute): void {
    let route: RatioRoute | undefined;
    for (const each of this.kept) {
      const score = scoreOf(merits, each.order);
      if (score >= each.worst) continue;
      route ??= write();
      const { routes } = each;
      let at = routes.length;
      while (at > 0 && routes[at - 1]!.score > score) at -= 1;
      routes.splice(at, 0, { score, route });
      if (routes.length > KEPT) routes.pop();
      if (routes.length === KEPT) each.worst = routes[KEPT - 1]!.score;
    }
  }

  all(): RatioRoute[] {
    return this.every
      ? this.every.map((each) => each.route)
      : [...new Set(this.kept.flatMap(({ routes }) => routes.map((each) => each.route)))];
  }
}
