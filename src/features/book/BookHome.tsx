import { useReadings } from '@/data/useReadings';
import { Beside } from '@/ui/Beside';
import { BookEntry } from './BookEntry';
import { BookList } from './BookList';

const NEWEST = { sort: 'newest' } as const;

/** The Book: its list, and on a wide screen what was kept last beside it. */
export default function BookHome() {
  const last = useReadings(NEWEST).rows[0]?.id;
  return last ? (
    <Beside main="list" list={<BookList openId={last} />} open={<BookEntry key={last} id={last} />} />
  ) : (
    <BookList />
  );
}
