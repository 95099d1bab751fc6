import Head from 'expo-router/head';
import { BookList } from '@/features/book/BookList';

export default function BookPage() {
  return (
    <>
      <Head>
        <title>Book · Jauge</title>
      </Head>
      <BookList />
    </>
  );
}
