import { useReadings } from '@/data/useReadings';
import { Beside } from '@/ui/Beside';
import { BookEntry } from './BookEntry';
import { BookList } from './BookList';
import { UnderBookTabs } from './BookTabs';

const NEWEST = { sort: 'newest' } as const;

/** The Book: its list, and on a wide screen what was kept last beside it. */
export default function BookHome() {
  const last = useReadings(NEWEST).rows[0]?.id;
  return (
    <UnderBookTabs here="/book">
      {last ? (
        <Beside main="list" list={<BookList openId={last} />} open={<BookEntry key={last} id={last} />} />
      ) : (
        <BookList />
      )}
    </UnderBookTabs>
  );
}
