import { fireEvent, screen } from '@testing-library/react-native';
import { demoReadings } from '@/demo/readings';
import type { Subject } from '@/contract/schemas/subject';
import { useOutbox } from '@/data/outbox';
import { demoHeld, renderWithKit, words } from '../../../tests/support/renderWithKit';
import { BookEntry } from './BookEntry';
import { BookList } from './BookList';

const mockReplace = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({
    push: jest.fn(),
    back: jest.fn(),
    canGoBack: () => false,
    replace: (to: string) => mockReplace(to),
  }),
}));

const readings = demoReadings();
const idOf = (desk: string) => readings.find((row) => row.data.desk === desk)!.id;
const without = (resource: 'setups' | 'subjects' | 'outputs') => ({ held: { ...demoHeld(), [resource]: [] } });

beforeEach(() => {
  mockReplace.mockClear();
  useOutbox.setState({ waiting: [], refused: [] });
});
afterEach(() => jest.restoreAllMocks());

describe('the Book', () => {
  it('lists readings of every desk, newest first, each with its own number and judgement', async () => {
    await renderWithKit(<BookList />);
    const text = words();
    const at = ['Stars', 'Marsh harrier', 'Stonechat', 'Curlew', 'Tiger beetle'].map((name) => text.indexOf(name));
    expect(at.every((place) => place >= 0)).toBe(true);
    expect([...at].sort((a, b) => a - b)).toEqual(at);
    expect(text).toMatch(/Stars 13 s ● Points everywhere at 12 s/);
    expect(text).toContain('Heath macro at 1 : 1');
  });

  it('says what to do while it is empty, closed, or on its way', async () => {
    await renderWithKit(<BookList />, { held: {} });
    expect(words()).toContain('Nothing kept yet. On a desk, press “Keep this reading”.');
    await renderWithKit(<BookList />, { unreachable: true });
    expect(words()).toContain('so the Book stays closed');
    await renderWithKit(<BookList />, { silent: true });
    expect(words()).toContain('Opening the Book …');
  });

  it('tells what still waits to be sent', async () => {
    const [row] = readings;
    useOutbox.setState({
      waiting: [{ key: 'k', resource: 'readings', id: row!.id, madeAt: '', verb: 'create', data: row!.data }],
    });
    await renderWithKit(<BookList />);
    expect(words()).toContain('waits to be sent');
  });
});

describe('a kept reading', () => {
  it.each([
    ['far', 'Curlew at 64 m', ['Pixels on the subject', 'Equivalent']],
    ['near', 'Tiger beetle at 1 : 1', ['Reproduction ratio', 'Depth of one frame']],
    ['stars', 'Stars at declination 40°', ['Longest', 'Run, worst point']],
  ])('of the %s desk says that nothing has changed since', async (desk, title, labels) => {
    await renderWithKit(<BookEntry id={idOf(desk)} />);
    const text = words();
    expect(text).toContain(title);
    // The kit has not changed since: each number once, and a word for the rest.
    expect(text).toContain('As it was Just the same with the kit of today');
    for (const label of labels) expect(text.split(label)).toHaveLength(2);
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('stands beside what it would be now, number by number, where the kit has changed', async () => {
    const held = demoHeld();
    const longer = held.subjects!.map((row) => {
      const data = row.data as Subject;
      return data.name === 'Curlew' ? { ...row, data: { ...data, sizeMm: data.sizeMm * 1.1 } } : row;
    });
    await renderWithKit(<BookEntry id={idOf('far')} />, { held: { ...held, subjects: longer } });
    const text = words();
    expect(text).toContain('As it was As it would be now');
    for (const label of ['Pixels on the subject', 'Resolved', 'Equivalent']) expect(text.split(label)).toHaveLength(3);
    expect(text).toContain('+10 %');
  });

  it.each([
    ['far', 'setups'],
    ['near', 'subjects'],
    ['stars', 'outputs'],
  ] as const)('of the %s desk outlives the %s of its kit', async (desk, resource) => {
    await renderWithKit(<BookEntry id={idOf(desk)} />, without(resource));
    expect(words()).toContain('is not in the kit any more');
    expect(words()).toContain('As it was');
  });

  it('of the stars needs no subject', async () => {
    const held = demoHeld();
    await renderWithKit(<BookEntry id={idOf('stars')} />, { held: { ...held, subjects: held.subjects!.slice(0, 1) } });
    expect(words()).not.toContain('is not in the kit any more');
  });

  it('takes a note, and how it was held close up', async () => {
    await renderWithKit(<BookEntry id={idOf('near')} />);
    fireEvent.press(screen.getByText('By hand, shaken'));
    fireEvent.press(screen.getByText('Change the note'));
    fireEvent.changeText(screen.getByLabelText('Note'), 'wind');
    fireEvent.press(screen.getByText('Save the note'));
    const changes = useOutbox.getState().waiting;
    expect(
      changes.some((change) => change.verb === 'replace' && (change.data as { held?: string }).held === 'handBlurred'),
    ).toBe(true);
    expect(changes.at(-1)).toMatchObject({ verb: 'replace', data: { note: 'wind' } });
  });

  it('is deleted and can be brought back', async () => {
    await renderWithKit(<BookEntry id={idOf('far')} />);
    fireEvent.press(screen.getByText('Delete'));
    expect(useOutbox.getState().waiting.at(-1)).toMatchObject({ verb: 'remove', id: idOf('far') });
    expect(mockReplace).toHaveBeenCalledWith('/book');
  });

  it('that does not exist says so and leads back', async () => {
    await renderWithKit(<BookEntry id="00000000-0000-4000-8000-000000000001" />);
    fireEvent.press(screen.getByText('To the Book'));
    expect(mockReplace).toHaveBeenCalledWith('/book');
    await renderWithKit(<BookEntry id={idOf('far')} />, { unreachable: true });
    expect(words()).toContain('so this page cannot be opened');
  });
});
