import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const AperturePage = lazy(() => import('@/features/near/pages/AperturePage'));

export default function NearAperturePageRoute() {
  return (
    <Opening>
      <Head>
        <title>Which f-number · Jauge</title>
      </Head>
      <AperturePage />
    </Opening>
  );
}
