import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const DeepDesk = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.DeepDesk })));

export default function SkyDeepDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Deep sky · Jauge</title>
      </Head>
      <DeepDesk />
    </Opening>
  );
}
