import { useLocalSearchParams } from 'expo-router';
import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const PartPage = lazyPart(() => import('@/features/kit/PartPage'));

export default function KitPartPage() {
  const { resource, id, kind } = useLocalSearchParams<{ resource: string; id: string; kind?: string }>();
  return (
    <Opening>
      <Head>
        <title>Kit · Jauge</title>
      </Head>
      <PartPage resource={resource} id={id} kind={kind} />
    </Opening>
  );
}
