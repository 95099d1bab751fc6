import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const BesidePage = lazy(() => import('@/features/far/pages/BesidePage'));

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
