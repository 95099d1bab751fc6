import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

// The kit is not needed for the first reading, so its pages come when they are opened.
const KitList = lazyPart(() => import('@/features/kit/KitList'));

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
