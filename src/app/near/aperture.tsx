import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const AperturePage = lazyPart(() => import('@/features/near/pages/AperturePage'));

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
