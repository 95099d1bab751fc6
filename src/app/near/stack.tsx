import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const StackPage = lazy(() => import('@/features/near/pages/StackPage'));

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
