import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const FairTestPage = lazy(() => import('@/features/far/pages/FairTestPage'));

export default function FarFairTestPage() {
  return (
    <Opening>
      <Head>
        <title>Fair test · Jauge</title>
      </Head>
      <FairTestPage />
    </Opening>
  );
}
