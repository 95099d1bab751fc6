import { PageAt } from '@/features/PageAt';

export default function OutingsRoute() {
  return <PageAt path="/book/outings" />;
}
