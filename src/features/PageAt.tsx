import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { NotFound } from './NotFound';
import { pageAt } from './pages';

/** The page at a fixed address, with what the browser's tab says of it. */
export function PageAt({ path }: { path: string }) {
  const page = pageAt(path);
  if (!page) return <NotFound />;
  const { title, View } = page;
  return (
    <Opening>
      <Head>
        <title>{`${title} · Jauge`}</title>
      </Head>
      <View />
    </Opening>
  );
}
