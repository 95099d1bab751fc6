import { PageAt } from '@/features/PageAt';

export default function SaysRoute() {
  return <PageAt path="/book/says" />;
}
