import { useLocalSearchParams } from 'expo-router';
import { BookEntry } from '@/features/book/BookEntry';

export default function BookEntryPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BookEntry id={id} />;
}
