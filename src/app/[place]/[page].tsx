import { useLocalSearchParams } from 'expo-router';
import { PageAt } from '@/features/PageAt';

export default function PageRoute() {
  const { place, page } = useLocalSearchParams<{ place: string; page: string }>();
  return <PageAt path={`/${place}/${page}`} />;
}
