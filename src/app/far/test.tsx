import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const FairTestPage = lazyPart(() => import('@/features/far/pages/FairTestPage'));

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
