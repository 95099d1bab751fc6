import type { PhotoOrder } from './exercise';

/** Width ÷ height of an order's picture: known before it is taken, so that its room can be kept. */
export function photoAspect(order: PhotoOrder): number {
  switch (order.make) {
    case 'subject':
    case 'ruler':
      return order.columns / order.rows;
    case 'stars':
      return order.sky.width / order.sky.height;
    case 'patch':
      return 1;
  }
}
