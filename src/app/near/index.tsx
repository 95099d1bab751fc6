import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const NearDesk = lazyPart(() => import('@/features/near/NearDesk'));

export default function NearDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Near · Jauge</title>
      </Head>
      <NearDesk />
    </Opening>
  );
}
