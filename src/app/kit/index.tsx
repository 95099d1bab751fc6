import Head from 'expo-router/head';
import { KitList } from '@/features/kit/KitList';

export default function KitPage() {
  return (
    <>
      <Head>
        <title>Kit · Jauge</title>
      </Head>
      <KitList />
    </>
  );
}
