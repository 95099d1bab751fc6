import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const BringPage = lazy(() => import('@/features/kit/bring/BringPage'));

export default function Bring() {
  return (
    <Opening>
      <Head>
        <title>In and out · Jauge</title>
      </Head>
      <BringPage />
    </Opening>
  );
}
