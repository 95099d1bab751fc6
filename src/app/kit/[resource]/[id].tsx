import { useLocalSearchParams } from 'expo-router';
import { PartPage } from '@/features/kit/PartPage';

export default function KitPartPage() {
  const { resource, id, kind } = useLocalSearchParams<{ resource: string; id: string; kind?: string }>();
  return <PartPage key={`${resource}/${id}`} resource={resource} id={id} kind={kind} />;
}
