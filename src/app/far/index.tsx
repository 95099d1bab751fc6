import Head from 'expo-router/head';
import { useSheets } from '@/data/sheets';
import { FarDesk } from '@/features/far/FarDesk';

export default function FarPage() {
  const open = useSheets((state) => state.open);
  return (
    <>
      <Head>
        <title>Far · Jauge</title>
      </Head>
      <FarDesk onAddSetup={() => open('setup')} onAddSubject={() => open('subject')} />
    </>
  );
}
