import { useLocalSearchParams } from 'expo-router';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const BookPage = lazyPart(() => import('@/features/book/BookPage'));

export default function BookEntryPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <Opening>
      <BookPage id={id} />
    </Opening>
  );
}
