import { useLocalSearchParams } from 'expo-router';
import { CompareKit } from '@/features/kit/compare/CompareKit';

export default function ComparePage() {
  const { what, ids } = useLocalSearchParams<{ what?: string; ids?: string }>();
  return <CompareKit what={what ?? 'bodies'} ids={(ids ?? '').split(',').filter((id) => id !== '').slice(0, 4)} />;
}
