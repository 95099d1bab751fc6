import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const NightDesk = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.NightDesk })));

export default function SkyNightDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Night · Jauge</title>
      </Head>
      <NightDesk />
    </Opening>
  );
}
