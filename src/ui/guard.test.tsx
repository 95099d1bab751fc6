import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { TextInput } from 'react-native';
import { Group } from './Group';
import { Guard } from './Guard';
import { Txt } from './Txt';
import { Theme, type Look } from './theme/theme';

let broken = true;
function Bad() {
  if (broken) throw new Error('no such field');
  return <Txt>all is well</Txt>;
}

let faults: jest.SpyInstance;
beforeEach(() => {
  broken = true;
  // React writes every caught fault to the console as well.
  faults = jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => faults.mockRestore());

it('keeps a fault within a group, says so, and goes on when it is mended', () => {
  render(
    <Theme look="day">
      <Txt>the rest</Txt>
      <Group title="Depth" startsOpen>
        <Bad />
      </Group>
    </Theme>,
  );
  expect(screen.getByText('the rest')).toBeTruthy();
  expect(screen.getByText(/“Depth” cannot be shown\. Nothing is lost/)).toBeTruthy();
  expect(screen.getByText('no such field')).toBeTruthy();
  broken = false;
  fireEvent.press(screen.getByText('Try again'));
  expect(screen.getByText('all is well')).toBeTruthy();
});

it('tries by itself when what it depends on changes', () => {
  const page = (id: string) => (
    <Theme look="day">
      <Guard what="This page" resetKeys={[id]}>
        <Bad />
      </Guard>
    </Theme>
  );
  render(page('a'));
  expect(screen.getByText(/This page cannot be shown/)).toBeTruthy();
  broken = false;
  screen.rerender(page('b'));
  expect(screen.getByText('all is well')).toBeTruthy();
});

it('another look leaves what is half typed', () => {
  const made = jest.fn();
  function Field() {
    const [text, setText] = useState(() => {
      made();
      return '';
    });
    return <TextInput testID="field" value={text} onChangeText={setText} />;
  }
  const page = (look: Look) => (
    <Theme look={look}>
      <Field />
    </Theme>
  );
  render(page('day'));
  fireEvent.changeText(screen.getByTestId('field'), 'half a nam');
  for (const look of ['night', 'dim', 'day'] as const) screen.rerender(page(look));
  expect(screen.getByTestId('field').props.value).toBe('half a nam');
  expect(made).toHaveBeenCalledTimes(1);
});
