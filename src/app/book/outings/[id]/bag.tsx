import { useLocalSearchParams } from 'expo-router';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const LightestPage = lazyPart(() => import('@/features/book/outings/LightestPage'));

export default function LightestRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Opening>
      <LightestPage id={id} />
    </Opening>
  );
}
