import { useLocalSearchParams } from 'expo-router';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const LogPage = lazyPart(() => import('@/features/book/log/LogPage'));

export default function LogRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Opening>
      <LogPage id={id} />
    </Opening>
  );
}
