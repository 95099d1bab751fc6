import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

// The kit is not needed for the first reading, so its pages come when they are opened.
const KitList = lazy(() => import('@/features/kit/KitList'));

export default function KitPage() {
  return (
    <Opening>
      <Head>
        <title>Kit · Jauge</title>
      </Head>
      <KitList />
    </Opening>
  );
}
