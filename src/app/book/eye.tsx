import { PageAt } from '@/features/PageAt';

export default function EyeRoute() {
  return <PageAt path="/book/eye" />;
}
