import { useLocalSearchParams } from 'expo-router';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const CardPage = lazyPart(() => import('@/features/book/outings/CardPage'));

export default function CardRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Opening>
      <CardPage id={id} />
    </Opening>
  );
}
