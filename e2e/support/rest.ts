import type { Page } from '@playwright/test';

/**
 * Waits until half a second has passed in which nothing arrived: what the page is made of is there. Asked of the page
 * itself, because `networkidle` was once waited for in vain on a page that had been used for many tests.
 */
export const atRest = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise<void>((done) => {
        const arrived = () => performance.getEntriesByType('resource').length;
        let [count, since] = [arrived(), performance.now()];
        const look = () => {
          if (arrived() !== count) [count, since] = [arrived(), performance.now()];
          if (document.readyState === 'complete' && performance.now() - since >= 500) done();
          else setTimeout(look, 50);
        };
        look();
      }),
  );
