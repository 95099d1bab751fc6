import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const BesidePage = lazyPart(() => import('@/features/far/pages/BesidePage'));

export default function FarBesidePage() {
  return (
    <Opening>
      <Head>
        <title>Side by side · Jauge</title>
      </Head>
      <BesidePage />
    </Opening>
  );
}
