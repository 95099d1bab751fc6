import { useLocalSearchParams } from 'expo-router';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const OutingPage = lazyPart(() => import('@/features/book/outings/OutingPage'));

export default function OutingRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Opening>
      <OutingPage id={id} />
    </Opening>
  );
}
