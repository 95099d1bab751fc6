import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const PlanPage = lazy(() => import('@/features/far/pages/PlanPage'));

export default function FarPlanPage() {
  return (
    <Opening>
      <Head>
        <title>Planner curve · Jauge</title>
      </Head>
      <PlanPage />
    </Opening>
  );
}
