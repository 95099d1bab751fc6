import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const PlanetsDesk = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.PlanetsDesk })));

export default function SkyPlanetsDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Planets · Jauge</title>
      </Head>
      <PlanetsDesk />
    </Opening>
  );
}
