import { useLocalSearchParams } from 'expo-router';
import { BookPage } from '@/features/book/BookPages';

export default function BookEntryPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BookPage id={id} />;
}
