import { Beside } from '@/ui/Beside';
import { BookEntry } from './BookEntry';
import { BookList } from './BookList';

/** One kept reading, on a wide screen beside the list. */
export default function BookPage({ id }: { id: string }) {
  return <Beside main="open" list={<BookList openId={id} />} open={<BookEntry key={id} id={id} />} />;
}
