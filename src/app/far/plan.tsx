import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const PlanPage = lazyPart(() => import('@/features/far/pages/PlanPage'));

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
