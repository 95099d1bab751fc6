import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const PlanetsDesk = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.PlanetsDesk })));

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
