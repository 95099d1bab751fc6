import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const SchoolsPage = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.SchoolsPage })));

export default function SkySchoolsPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Schools side by side · Jauge</title>
      </Head>
      <SchoolsPage />
    </Opening>
  );
}
