import { PageAt } from '@/features/PageAt';

export default function SeekRoute() {
  return <PageAt path="/book/seek" />;
}
