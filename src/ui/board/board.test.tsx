import { fireEvent, render, screen } from '@testing-library/react-native';
import { Dimensions, Text } from 'react-native';
import { Theme } from '../theme/theme';
import { Board } from './Board';
import { rankOf, type BoardColumn, type BoardRow } from './boardTypes';

interface Thing {
  pixels: number;
  weightG?: number;
}
const columns: BoardColumn<Thing>[] = [
  { id: 'pixels', name: 'Pixels', value: ({ pixels }) => pixels, text: ({ pixels }) => `${pixels} px`, better: 'more' },
  {
    id: 'weight',
    name: 'Weight',
    value: ({ weightG }) => weightG,
    text: ({ weightG }) => String(weightG ?? '–'),
    better: 'less',
  },
  { id: 'same', name: 'Same', value: () => 1, text: () => 'same', better: 'less' },
];
const row = (name: string, of: Thing): BoardRow<Thing> => ({ key: name, name, of });
const rows = [
  row('Middle', { pixels: 800, weightG: 900 }),
  row('Heavy', { pixels: 1200, weightG: 3000 }),
  row('Unknown', { pixels: 500 }),
  row('Beaten', { pixels: 700, weightG: 1000 }),
];

const show = (width: number, shown = rows, most = 2) => {
  jest.spyOn(Dimensions, 'get').mockReturnValue({ width, height: 800, scale: 1, fontScale: 1 });
  render(
    <Theme look="day">
      <Board
        label="Ways"
        nameHead="Way"
        columns={columns}
        rows={shown}
        offers="pixels"
        asks={['weight']}
        controls={<Text>What is sought</Text>}
        card={({ name }) => <Text>{`Card of ${name}`}</Text>}
        most={most}
      />
    </Theme>,
  );
};
afterEach(() => jest.restoreAllMocks());

const cards = () => screen.queryAllByText(/^Card of/).map((node) => String(node.props.children).slice(8));
const order = () => screen.getAllByText(/^(Middle|Heavy|Unknown|Beaten)$/).map((node) => String(node.props.children));

it('ranks what one wants much of upwards, what one wants little of downwards, and what is not known last', () => {
  expect(rankOf(columns[0]!, rows[0]!.of)).toBe(800);
  expect(rankOf(columns[1]!, rows[0]!.of)).toBe(-900);
  expect(rankOf(columns[1]!, rows[2]!.of)).toBe(-Infinity);
});

describe('on a wide screen', () => {
  it('opens the first, sorts by a head, marks the best of a column, and opens the row pressed', () => {
    show(1280);
    expect(cards()).toEqual(['Middle']);
    expect(order()).toEqual(['Middle', 'Heavy', 'Unknown', 'Beaten']);
    fireEvent.press(screen.getByLabelText('Sort by Weight'));
    expect(order()).toEqual(['Middle', 'Beaten', 'Heavy', 'Unknown']);
    fireEvent.press(screen.getByLabelText('Sort by Pixels'));
    expect(order()).toEqual(['Heavy', 'Middle', 'Beaten', 'Unknown']);
    expect(cards()).toEqual(['Heavy']);
    expect(screen.getByText('◆\u00a01200 px')).toBeTruthy();
    expect(screen.getByText('◆\u00a0900')).toBeTruthy();
    // Where all are alike nothing is the best.
    expect(screen.getAllByText('same')).toHaveLength(4);
    fireEvent.press(screen.getByText('Beaten'));
    expect(cards()).toEqual(['Beaten']);
  });
});

describe('on a phone', () => {
  it('lists the first, under a plot that names what nothing beats', () => {
    show(390);
    expect(cards()).toEqual(['Middle', 'Heavy']);
    expect(screen.queryByRole('table')).toBeNull();
    expect(
      screen.getByLabelText('Pixels against Weight: 3 points. Middle, Heavy cannot be beaten in both.'),
    ).toBeTruthy();
  });

  it('has no plot for one way, and only the controls for none', () => {
    show(390, rows.slice(0, 1));
    expect(screen.queryByLabelText(/against/)).toBeNull();
    show(1280, []);
    expect(cards()).toEqual([]);
    expect(screen.getByText('What is sought')).toBeTruthy();
  });

  it('opens the point nearest to the finger, beyond the first lines too, and none that is far', () => {
    show(390, rows, 1);
    const plot = screen.getByLabelText(/^Pixels against Weight/);
    fireEvent(plot, 'layout', { nativeEvent: { layout: { width: 358, height: 220, x: 0, y: 0 } } });
    fireEvent.press(plot, { nativeEvent: { locationX: 200, locationY: 200 } });
    expect(cards()).toEqual(['Middle']);
    // The heaviest stands at the upper right corner of the plot.
    fireEvent.press(plot, { nativeEvent: { locationX: 340, locationY: 30 } });
    expect(cards()).toEqual(['Heavy', 'Middle']);
  });
});
