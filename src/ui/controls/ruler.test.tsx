import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { FieldModesInUse } from '../fieldModes';
import { Txt } from '../Txt';
import { Theme } from '../theme/theme';
import { Ruler, passesFigure } from './Ruler';

const vibrate = jest.fn();
beforeEach(() => {
  vibrate.mockClear();
  // What this environment has none of.
  (globalThis as { navigator?: unknown }).navigator = { vibrate };
});
afterEach(() => delete (globalThis as { navigator?: unknown }).navigator);

function Set({ start }: { start: number }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <Txt testID="value">{value}</Txt>
      <Ruler
        label="Distance"
        value={value}
        minimum={1}
        maximum={1000}
        valueText={`${value} m`}
        rounded={(next) => Number(next.toPrecision(3))}
        onChange={setValue}
      />
    </>
  );
}

const open = (start: number, modes: { oneHand: boolean; ruleTick: boolean }) =>
  render(
    <Theme look="day">
      <FieldModesInUse.Provider value={modes}>
        <Set start={start} />
      </FieldModesInUse.Provider>
    </Theme>,
  );
const value = () => screen.getByTestId('value').props.children as number;

describe('a rule held in one hand', () => {
  it('has keys in place of the pull, within its ends', () => {
    open(950, { oneHand: true, ruleTick: false });
    fireEvent.press(screen.getByRole('button', { name: 'Distance: more' }));
    expect(value()).toBeCloseTo(998, 0);
    fireEvent.press(screen.getByRole('button', { name: 'Distance: more' }));
    expect(value()).toBe(1000);
    fireEvent.press(screen.getByRole('button', { name: 'Distance: less' }));
    expect(value()).toBe(950);
  });

  it('has none otherwise', () => {
    open(50, { oneHand: false, ruleTick: false });
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('the tick', () => {
  it('is felt when a figure passes the needle, and only when it is wanted', () => {
    open(19.5, { oneHand: true, ruleTick: true });
    const more = screen.getByRole('button', { name: 'Distance: more' });
    fireEvent.press(more);
    expect(value()).toBeGreaterThan(20);
    expect(vibrate).toHaveBeenCalledTimes(1);
    fireEvent.press(more);
    expect(value()).toBeLessThan(30);
    expect(vibrate).toHaveBeenCalledTimes(1);
    screen.unmount();
    open(19.5, { oneHand: true, ruleTick: false });
    fireEvent.press(screen.getByRole('button', { name: 'Distance: more' }));
    expect(vibrate).toHaveBeenCalledTimes(1);
  });

  it.each([
    [19, 21, true],
    [21, 19, true],
    [21, 29, false],
    // From a figure on: it was felt when it was reached.
    [20, 21, false],
    [19, 20, true],
    [99, 101, true],
    [0.09, 0.11, true],
    [1, 1000, true],
  ])('from %p to %p: %p', (from, to, felt) => {
    expect(passesFigure(from, to)).toBe(felt);
  });
});
