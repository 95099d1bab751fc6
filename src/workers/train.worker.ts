import type { PhotoOrder } from '@/core/train/exercise';
import { develop, type Developed } from '@/core/train/photo';
import { onAsked, teller } from './talk';

const tell = teller<Developed[]>();

onAsked<PhotoOrder[]>((orders) => {
  const developed = orders.map(develop);
  tell(
    developed,
    developed.map(({ grey }) => grey.buffer),
  );
});
