import { useLocalSearchParams } from 'expo-router';
import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const CompareKit = lazyPart(() => import('@/features/kit/compare/CompareKit'));

export default function ComparePage() {
  const { what, ids } = useLocalSearchParams<{ what?: string; ids?: string }>();
  return (
    <Opening>
      <Head>
        <title>Compare · Jauge</title>
      </Head>
      <CompareKit
        what={what ?? 'bodies'}
        ids={(ids ?? '')
          .split(',')
          .filter((id) => id !== '')
          .slice(0, 4)}
      />
    </Opening>
  );
}
