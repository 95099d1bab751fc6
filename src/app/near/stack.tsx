import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const StackPage = lazyPart(() => import('@/features/near/pages/StackPage'));

export default function NearStackPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Focus stack · Jauge</title>
      </Head>
      <StackPage />
    </Opening>
  );
}
