import { useLocalSearchParams } from 'expo-router';
import { PageAt } from '@/features/PageAt';

export default function PlaceRoute() {
  const { place } = useLocalSearchParams<{ place: string }>();
  return <PageAt path={`/${place}`} />;
}
