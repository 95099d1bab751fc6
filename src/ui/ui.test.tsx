import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { computed, given, input } from '@/core/quantity/quantity';
import { NumberField } from './controls/NumberField';
import { Choice } from './controls/Choice';
import { Figure } from './Figure';
import { Theme } from './theme/theme';
import { niceStep } from './finder/niceStep';
import { SILHOUETTES } from '@/core/kit/silhouettes';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import {
  quantityText,
  showError,
  showFNumber,
  showLengthM,
  showQuantity,
  showSubjectMm,
} from '@/core/quantity/quantityText';
import { DAY, NIGHT, SUN } from './theme/palette';

const px = (value: number, plusMinus?: number) =>
  computed(
    value,
    'px',
    () => ({ name: 'px', formula: '', inputs: [input('a', 'a', given(1, 'mm', 'a'))], source: 's' }),
    plusMinus,
  );

describe('texts of quantities', () => {
  it('show no more figures than the error allows', () => {
    expect(showQuantity(px(1287.4), 'metric')).toEqual({ number: '1,287', unit: 'px' });
    expect(showQuantity(px(1287.4, 94), 'metric').number).toBe('1,290');
    expect(showError(px(1287.4, 94), 'metric')).toBe('±\u202f90');
    expect(showError(px(1287.4), 'metric')).toBe('');
    expect(showQuantity(px(3.456), 'metric').number).toBe('3.46');
  });

  it('write lengths in the unit a person would say', () => {
    expect(showLengthM(0.004, 'metric')).toEqual({ number: '4', unit: 'mm' });
    expect(showLengthM(0.35, 'metric')).toEqual({ number: '35', unit: 'cm' });
    expect(showLengthM(60, 'metric')).toEqual({ number: '60', unit: 'm' });
    expect(showLengthM(60, 'imperial')).toEqual({ number: '197', unit: 'ft' });
    expect(showLengthM(0.2, 'imperial')).toEqual({ number: '7.87', unit: 'in' });
    expect(showSubjectMm(25.4, 'imperial')).toEqual({ number: '1', unit: 'in' });
  });

  it('write f-numbers, ratios and weights as the field does', () => {
    expect(showFNumber(5.6)).toBe('f/5.6');
    expect(showFNumber(7.84)).toBe('f/7.8');
    expect(showFNumber(11.2)).toBe('f/11.2');
    expect(quantityText(given(1 / 69.4, ':1', 'm'), 'metric')).toBe('1 : 69.4');
    expect(showError(given(0.0144, ':1', 'm', 's', 0.000288), 'metric')).toBe('±\u202f2\u202f%');
    expect(quantityText(given(5455, 'g', 'w'), 'metric')).toBe('5.46\u202fkg');
    expect(quantityText(given(190, 'g', 'w'), 'metric')).toBe('190\u202fg');
  });
});

describe('the number field', () => {
  function Field({
    onChange,
    ...rest
  }: {
    onChange?: (value: number | null) => void;
    optional?: boolean;
    minimum?: number;
    maximum?: number;
  }) {
    const [value, setValue] = useState<number | null>(60);
    return (
      <Theme look="day">
        <NumberField
          label="Distance"
          value={value}
          unit="m"
          shownUnit="m"
          {...rest}
          onChange={(next) => {
            setValue(next);
            onChange?.(next);
          }}
        />
      </Theme>
    );
  }
  const type = (text: string) => {
    const field = screen.getByLabelText('Distance, m');
    fireEvent(field, 'focus');
    fireEvent.changeText(field, text);
    fireEvent(field, 'submitEditing');
    return field;
  };
  const leave = () => fireEvent(screen.getByLabelText('Distance, m'), 'blur');

  it('takes comma, point and units', () => {
    const onChange = jest.fn();
    render(<Field onChange={onChange} />);
    type('12,5');
    expect(onChange).toHaveBeenLastCalledWith(12.5);
    const field = type('100 ft');
    expect(onChange).toHaveBeenLastCalledWith(expect.closeTo(30.48, 9));
    leave();
    expect(field.props.value).toBe('30.48');
  });

  it('never rewrites its text while it has the focus, and takes it once', () => {
    const onChange = jest.fn();
    render(<Field onChange={onChange} />);
    const field = type('0,8');
    // Enter took it; what stands there is still what was typed, so that the next digit replaces or follows just that.
    expect(field.props.value).toBe('0,8');
    expect(onChange.mock.calls).toEqual([[0.8]]);
    leave();
    expect(field.props.value).toBe('0.8');
    expect(onChange).toHaveBeenCalledTimes(1);
    type('9');
    leave();
    expect(onChange.mock.calls).toEqual([[0.8], [9]]);
  });

  it('keeps what is typed while the last value is still on its way back, and gives way to a value from elsewhere', () => {
    // The value follows a moment late, as a deferred one does.
    const at = (value: number) => (
      <Theme look="day">
        <NumberField
          label="Distance"
          value={value}
          unit="m"
          shownUnit="m"
          minimum={1}
          maximum={100}
          onChange={() => undefined}
        />
      </Theme>
    );
    const { rerender } = render(at(60));
    type('3');
    type('0');
    rerender(at(3));
    expect(screen.getByText(/Distance must be from 1 to 100/)).toBeTruthy();
    expect(screen.getByLabelText('Distance, m').props.value).toBe('0');
    rerender(at(42));
    leave();
    expect(screen.queryByText(/Distance must be/)).toBeNull();
    expect(screen.getByLabelText('Distance, m').props.value).toBe('42');
  });

  it('keeps what it cannot read, with a message, and changes nothing', () => {
    const onChange = jest.fn();
    render(<Field onChange={onChange} minimum={1} maximum={100} />);
    expect(type('far').props.value).toBe('far');
    expect(screen.getByText(/“far” is not a number/)).toBeTruthy();
    type('0');
    expect(screen.getByText(/Distance must be from 1 to 100/)).toBeTruthy();
    type('');
    expect(screen.getByText('Distance: type a number.')).toBeTruthy();
    expect(onChange).not.toHaveBeenCalled();
  });

  it('may be emptied only where the value is optional', () => {
    const onChange = jest.fn();
    render(<Field onChange={onChange} optional />);
    type('');
    expect(onChange).toHaveBeenLastCalledWith(null);
  });
});

describe('controls', () => {
  it('a choice tells which one is chosen', () => {
    const onChange = jest.fn();
    render(
      <Theme look="night">
        <Choice
          label="Filter"
          value="a"
          onChange={onChange}
          options={[
            { value: 'a', name: 'None' },
            { value: 'b', name: 'Weak' },
          ]}
        />
      </Theme>,
    );
    fireEvent.press(screen.getByText('Weak'));
    expect(onChange).toHaveBeenCalledWith('b');
    expect(screen.getAllByRole('radio')[0]?.props.accessibilityState).toMatchObject({ checked: true });
  });

  it('a figure opens its own derivation', () => {
    const onWhy = jest.fn();
    render(
      <Theme look="day">
        <Figure label="Pixels" quantity={px(1287.4, 94)} units="metric" name="pixels" onWhy={onWhy} />
      </Theme>,
    );
    fireEvent.press(screen.getByText('1,290'));
    expect(onWhy).toHaveBeenCalledWith('pixels');
  });
});

describe('drawing', () => {
  it('divides rules in steps of 1, 2 and 5', () => {
    expect([0.03, 1, 2.4, 7, 49, 130].map(niceStep)).toEqual([0.02, 1, 2, 5, 20, 100]);
  });

  it('has a silhouette of the stated proportions for every kind', () => {
    for (const [kind, info] of Object.entries(SUBJECT_KINDS)) {
      expect(SILHOUETTES[kind as SubjectKind].width / 100).toBeCloseTo(info.aspect, 6);
    }
  });
});

describe('palettes', () => {
  const luminance = (colour: string) => {
    const [r, g, b] = [1, 3, 5].map((at) => {
      const share = parseInt(colour.slice(at, at + 2), 16) / 255;
      return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  const contrast = (a: string, b: string) => {
    const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
    return (light + 0.05) / (dark + 0.05);
  };

  it.each([
    ['day', DAY],
    ['night', NIGHT],
  ] as const)('%s: all text has a contrast of 4.5 on both grounds', (_, palette) => {
    for (const ground of [palette.paper, palette.raised]) {
      for (const text of [palette.ink, palette.inkSoft, palette.press, palette.needle, palette.caution])
        expect(contrast(text, ground)).toBeGreaterThanOrEqual(4.5);
    }
    expect(contrast(palette.onPress, palette.press)).toBeGreaterThanOrEqual(4.5);
  });

  it('in full sun all that is read has a contrast of 7 on both grounds, lines of 4.5', () => {
    for (const ground of [SUN.paper, SUN.raised]) {
      for (const text of [SUN.ink, SUN.inkSoft, SUN.press, SUN.needle, SUN.caution])
        expect(contrast(text, ground)).toBeGreaterThanOrEqual(7);
      expect(contrast(SUN.hairline, ground)).toBeGreaterThanOrEqual(4.5);
    }
    expect(contrast(SUN.onPress, SUN.press)).toBeGreaterThanOrEqual(7);
    expect(contrast(SUN.star, SUN.skyGround)).toBeGreaterThanOrEqual(7);
  });

  it('night has nothing but red', () => {
    for (const colour of Object.values(NIGHT).filter((each) => each.startsWith('#'))) {
      const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [number, number, number];
      expect(g).toBeLessThanOrEqual(r);
      expect(b).toBeLessThanOrEqual(r);
      expect(b).toBeLessThan(90);
    }
  });
});
