import { render, screen } from '@testing-library/react-native';
import { memo } from 'react';
import { Text, View } from 'react-native';
import { Filled, Slot } from './slots';

let drawn = 0;
const Layout = memo(function Layout() {
  drawn += 1;
  return (
    <View>
      <Slot name="head" />
      <Slot name="body" />
    </View>
  );
});
const filled = (slots: Record<string, React.ReactNode>) => (
  <Filled slots={slots}>
    <Layout />
  </Filled>
);

it('draws contents anew and the layout around them never', async () => {
  drawn = 0;
  const view = await render(filled({ head: <Text>12 px</Text>, body: <Text>words</Text> }));
  await view.rerender(filled({ head: <Text>13 px</Text>, body: <Text>words</Text> }));
  await view.rerender(filled({ head: <Text>14 px</Text> }));
  expect(screen.getByText('14 px')).toBeTruthy();
  expect(screen.queryByText('words')).toBeNull();
  expect(drawn).toBe(1);
});

it('takes the contents of the layout next above, so that one layout may stand in another', async () => {
  await render(filled({ head: <Text>outer</Text>, body: filled({ head: <Text>inner</Text>, body: null }) }));
  expect(screen.getByText('outer')).toBeTruthy();
  expect(screen.getByText('inner')).toBeTruthy();
});
