import { useLocalSearchParams } from 'expo-router';
import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const PartPage = lazy(() => import('@/features/kit/PartPage'));

export default function KitPartPage() {
  const { resource, id, kind } = useLocalSearchParams<{ resource: string; id: string; kind?: string }>();
  return (
    <Opening>
      <Head>
        <title>Kit · Jauge</title>
      </Head>
      <PartPage key={`${resource}/${id}`} resource={resource} id={id} kind={kind} />
    </Opening>
  );
}
