import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const BringPage = lazyPart(() => import('@/features/kit/bring/BringPage'));

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
