import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const SchoolsPage = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.SchoolsPage })));

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
