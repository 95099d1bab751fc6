import { act, fireEvent, screen } from '@testing-library/react-native';
import type { WholeData } from '@/contract/wholeData';
import { bookEntries, localMoment } from '@/data/seek/entries';
import { FOUND_HEADS, foundJson, foundTable } from '@/data/seek/takeFound';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import SeekPage from './SeekPage';
import { dayWords, monthWords } from './momentWords';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));
afterEach(() => jest.restoreAllMocks());

const rested = () => act(() => new Promise((resolve) => setTimeout(resolve, 320)));
const bookRows = () => {
  const { readings, pictureGroups, measurements = [], outings } = demoHeld();
  return { readings, pictureGroups, measurements, outings } as unknown as Parameters<typeof bookEntries>[0];
};

describe('seeking in the Book', () => {
  it('shows headings with what was kept, and opens one', async () => {
    await renderWithKit(<SeekPage />);
    expect(await screen.findByText(/\d+ in all/)).toBeTruthy();
    const heading = screen.getByRole('button', { name: /^Curlew: \d+ · 2 of 6 kept/ });
    expect(screen.queryByLabelText(/^Curlew, ● Kept/)).toBeNull();
    fireEvent.press(heading);
    expect(screen.getAllByLabelText(/^Curlew, ● Kept, .*Nov.* 2026: \d+ pictures/).length).toBe(2);
    fireEvent.press(screen.getByText('Month'));
    expect(screen.getByRole('button', { name: /^November 2026: / })).toBeTruthy();
    fireEvent.press(screen.getByText('Outing'));
    expect(words()).toContain('On no outing');
  });

  it('finds by any word of what was kept, and opens what it found', async () => {
    await renderWithKit(<SeekPage />);
    await screen.findByText(/\d+ in all/);
    fireEvent.changeText(screen.getByPlaceholderText(/Any word/), 'curlew ×2 SOFT');
    await rested();
    expect(words()).toMatch(/\d found/);
    expect(screen.getAllByLabelText(/^Curlew, ○ Soft/).length).toBeGreaterThan(0);
    fireEvent.changeText(screen.getByPlaceholderText(/Any word/), 'gryphon');
    await rested();
    expect(words()).toContain('Nothing in the Book has all the words “gryphon”.');
  });

  it('draws what it found', async () => {
    await renderWithKit(<SeekPage />);
    await screen.findByText(/\d+ in all/);
    fireEvent.press(screen.getByText('Charts'));
    expect(screen.getByLabelText(/^Pixels on the subject over time: \d+ from [\d,]+ to [\d,]+ px/)).toBeTruthy();
    expect(screen.getByLabelText(/^Distances: Curlew \d+\sm to \d+\sm/)).toBeTruthy();
    expect(screen.getByLabelText(/^Groups kept by set-up: .*Ostrel R45 \+ Ostrel 600 f\/5\.6 4 of 9/)).toBeTruthy();
    fireEvent.changeText(screen.getByPlaceholderText(/Any word/), 'outing marsh');
    await rested();
    expect(words()).toContain('Nothing of what was found tells it.');
  });

  it('says what to do while it is empty, and why it stays closed', async () => {
    await renderWithKit(<SeekPage />, { held: {} });
    expect(await screen.findByText(/Nothing in the Book yet\. Keep a reading on a desk/)).toBeTruthy();
    await renderWithKit(<SeekPage />, { unreachable: true });
    expect(words()).toContain('so the Book stays closed');
  });
});

describe('what was found, taken along', () => {
  it('is a file that can be brought in again, of exactly what was found', () => {
    const rows = bookRows();
    const entries = bookEntries(rows, 'metric').filter(({ words: each }) => each.includes('curlew'));
    const file = JSON.parse(foundJson(rows, entries)) as WholeData;
    expect(file).toMatchObject({ format: 'jauge', formatVersion: 1 });
    const taken = Object.values(file.rows).flatMap((each) => (each as { id: string }[]).map(({ id }) => id));
    expect(taken.sort()).toEqual(entries.map(({ id }) => id).sort());
    expect(file.rows.pictureGroups!.every(({ data }) => data.takenFrom && data.pictures)).toBe(true);
  });

  it('is a table, a line each', () => {
    const entries = bookEntries(bookRows(), 'metric');
    const table = foundTable(entries);
    expect(table).toHaveLength(entries.length);
    const verdictAt = FOUND_HEADS.indexOf('verdict');
    expect(table.filter((line) => line[verdictAt] === 'kept').length).toBe(
      entries.filter(({ verdict }) => verdict === 'kept').length,
    );
    expect(table.flat().join(' ')).not.toMatch(/undefined|NaN/);
  });

  it('tells months and days as they are read', () => {
    expect(monthWords('2026-11')).toBe('November 2026');
    expect(monthWords('No time told')).toBe('No time told');
    expect(dayWords('2026-11-14T08:00')).toBe('Nov 14, 2026');
    expect(dayWords('1970-01-01T00:00')).toBe('');
    expect(localMoment('nonsense')).toBe('1970-01-01T00:00');
    expect(localMoment('2026-11-14T08:05:00Z')).toMatch(/^2026-11-1[345]T\d{2}:05$/);
  });
});
