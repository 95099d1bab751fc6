import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const StarsDesk = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.StarsDesk })));

export default function SkyStarsDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Stars · Jauge</title>
      </Head>
      <StarsDesk />
    </Opening>
  );
}
