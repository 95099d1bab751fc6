import Head from 'expo-router/head';
import { FarDesk } from '@/features/far/FarDesk';

export default function FarPage() {
  return (
    <>
      <Head>
        <title>Far · Jauge</title>
      </Head>
      <FarDesk />
    </>
  );
}
