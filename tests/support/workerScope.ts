/** A worker's own scope, as far as it is used: imported before a worker, whose listener and words it keeps. */
export const workerScope = {
  /** What it was asked, as the page would ask it. */
  ask: (_data: unknown): void => undefined,
  said: [] as unknown[],
};

Object.assign(globalThis, {
  addEventListener: (_: string, told: (event: { data: unknown }) => void) => {
    workerScope.ask = (data) => told({ data });
  },
  postMessage: (news: unknown) => workerScope.said.push(news),
});
