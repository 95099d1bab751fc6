import Head from 'expo-router/head';
import { BringPage } from '@/features/kit/bring/BringPage';

export default function Bring() {
  return (
    <>
      <Head>
        <title>In and out · Jauge</title>
      </Head>
      <BringPage />
    </>
  );
}
