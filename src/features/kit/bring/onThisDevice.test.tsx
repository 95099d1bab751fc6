import { fireEvent, render, screen } from '@testing-library/react-native';
import { useOffline } from '@/data/offline';
import { useMirror } from '@/data/outbox';
import { Theme } from '@/ui/theme/theme';
import { OnThisDevice } from './OnThisDevice';

const shown = () =>
  render(
    <Theme look="day">
      <OnThisDevice />
    </Theme>,
  );

afterEach(() => {
  useOffline.setState({ state: 'no', offers: null });
  useMirror.setState({ whole: false });
});

it('says what is missing for a place without a signal', async () => {
  await shown();
  expect(await screen.findByText(/Not all rows are here yet/)).toBeTruthy();
});

it('tells rows that are here from pages that are not', async () => {
  useMirror.setState({ whole: true });
  await shown();
  expect(await screen.findByText(/All rows are here; the pages are not/)).toBeTruthy();
});

it('says when everything is here, and offers the home screen once where the browser does', async () => {
  const prompt = jest.fn(() => Promise.resolve());
  useMirror.setState({ whole: true });
  useOffline.setState({ state: 'ready', offers: Object.assign(new Event('beforeinstallprompt'), { prompt }) });
  await shown();
  expect(await screen.findByText(/Opens with no signal/)).toBeTruthy();
  await fireEvent.press(await screen.findByRole('button', { name: 'Put it on the home screen' }));
  expect(prompt).toHaveBeenCalledTimes(1);
  expect(screen.queryByRole('button', { name: 'Put it on the home screen' })).toBeNull();
});
