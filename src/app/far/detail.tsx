import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const DetailPage = lazy(() => import('@/features/far/pages/DetailPage'));

export default function FarDetailPage() {
  return (
    <Opening>
      <Head>
        <title>Detail · Jauge</title>
      </Head>
      <DetailPage />
    </Opening>
  );
}
