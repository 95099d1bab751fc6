import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const DetailPage = lazyPart(() => import('@/features/far/pages/DetailPage'));

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
