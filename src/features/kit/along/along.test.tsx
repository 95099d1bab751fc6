import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { SWRConfig } from 'swr';
import type { LanStanding, PairedDevice, PairingStanding } from '@/contract/lan';
import { ApiRefusal, ApiUnreachable, api } from '@/data/api';
import { useOffline } from '@/data/offline';
import { Theme } from '@/ui/theme/theme';
import AlongPage from './AlongPage';
import { leftText } from './PairingCode';
import { qrModules } from './QrPicture';

jest.mock('expo-router', () => ({ useRouter: () => ({ canGoBack: () => false, replace: () => undefined }) }));

const AUTHORITY = { fingerprint: 'AB:CD:EF', validUntil: '2036-11-24T10:00:00.000Z' };
const HERE: LanStanding = {
  here: 'computer',
  on: true,
  addresses: ['https://192.168.1.20:4101', 'https://10.0.0.5:4101'],
  authority: AUTHORITY,
};
const PHONE: PairedDevice = {
  id: 'a',
  name: 'Field phone',
  pairedAt: '2026-11-20T08:00:00.000Z',
  rights: '',
  lastSeenAt: '2026-11-26T17:30:00.000Z',
};

/** The server's side of the page. */
let devices: PairedDevice[];
let pairing: PairingStanding;
const lan = jest.spyOn(api.lan, 'standing');
const offer = jest.spyOn(api.lan, 'offer');
const rename = jest.spyOn(api.lan, 'rename');
const revoke = jest.spyOn(api.lan, 'revoke');

beforeEach(() => {
  devices = [PHONE];
  pairing = { offer: null, ended: null };
  lan.mockResolvedValue(HERE);
  jest.spyOn(api.lan, 'devices').mockImplementation(() => Promise.resolve(devices));
  jest.spyOn(api.lan, 'pairing').mockImplementation(() => Promise.resolve(pairing));
  jest.spyOn(api.lan, 'withdraw').mockImplementation(() => {
    pairing = { offer: null, ended: null };
    return Promise.resolve();
  });
  offer.mockImplementation(() => {
    pairing = {
      offer: { code: 'ACDE3467', expiresAt: new Date(Date.now() + 299_500).toISOString(), triesLeft: 5 },
      ended: null,
    };
    return Promise.resolve(pairing.offer!);
  });
});
afterEach(() => {
  act(() => useOffline.setState({ state: 'no' }));
  delete (globalThis as { navigator?: unknown }).navigator;
});

const open = () =>
  render(
    <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
      <Theme look="day">
        <AlongPage />
      </Theme>
    </SWRConfig>,
  );
const press = async (name: string) => {
  const key = await screen.findByRole('button', { name });
  await act(async () => fireEvent.press(key));
};

describe('at the computer', () => {
  it('shows the address as words and as a picture, the others, and the steps', async () => {
    open();
    expect(await screen.findByText('https://192.168.1.20:4101')).toBeTruthy();
    expect(screen.getByText(/Also: https:\/\/10.0.0.5:4101/)).toBeTruthy();
    expect(screen.getByLabelText('The address https://192.168.1.20:4101 as a picture for a camera')).toBeTruthy();
    expect(screen.getByText('ab cd ef')).toBeTruthy();
    expect(screen.getByText(/look for “CA certificate”/)).toBeTruthy();
    fireEvent.press(screen.getByRole('radio', { name: 'iPhone, iPad' }));
    expect(await screen.findByText(/Certificate trust settings/)).toBeTruthy();
    expect(screen.getByText(/could pass for any site/)).toBeTruthy();
  });

  it('shows a code, puts it into the picture, and takes it away', async () => {
    open();
    await press('Show a code');
    expect(await screen.findByText('ACDE 3467')).toBeTruthy();
    expect(screen.getByText(/Holds 4:59 more, for one device. 5 tries left./)).toBeTruthy();
    expect(screen.getByLabelText(/192.168.1.20:4101\/pair\?code=ACDE3467/)).toBeTruthy();
    await press('Take it away');
    expect(await screen.findByRole('button', { name: 'Show a code' })).toBeTruthy();
  });

  it.each([
    ['used', /Paired. The device is in the list/],
    ['over', /five minutes are over/],
    ['tries', /Five wrong tries/],
  ] as const)('says how a code ended: %s', async (ended, words) => {
    pairing = { offer: null, ended };
    open();
    expect(await screen.findByText(words)).toBeTruthy();
  });

  it('renames a device, and says what is wrong with a name', async () => {
    rename.mockImplementation((id, name) => {
      devices = [{ ...PHONE, name }];
      return Promise.resolve(devices[0]!);
    });
    open();
    await press('Rename Field phone');
    fireEvent.changeText(await screen.findByLabelText('Name of the device'), '  ');
    expect(await screen.findByText(/at most 60 letters/)).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Name of the device'), 'Old phone');
    await press('Rename');
    expect(await screen.findByText('Old phone')).toBeTruthy();
    expect(rename).toHaveBeenCalledWith('a', 'Old phone');
  });

  it('asks before it revokes', async () => {
    revoke.mockImplementation(() => {
      devices = [];
      return Promise.resolve();
    });
    open();
    await press('Revoke Field phone');
    await press('Leave it paired');
    expect(revoke).not.toHaveBeenCalled();
    await press('Revoke Field phone');
    expect(await screen.findByText(/keeps what is on it/)).toBeTruthy();
    await press('Revoke');
    expect(await screen.findByText('None yet.')).toBeTruthy();
  });

  it('says what the server says when it will not', async () => {
    offer.mockRejectedValue(new ApiUnreachable('The server cannot be reached.'));
    revoke.mockRejectedValue(
      new ApiRefusal({
        type: '',
        title: '',
        status: 404,
        code: 'device.unknown',
        detail: 'This device is not paired.',
      }),
    );
    open();
    await press('Show a code');
    expect(await screen.findByText('The server cannot be reached.')).toBeTruthy();
    await press('Revoke Field phone');
    await press('Revoke');
    expect(await screen.findByText('This device is not paired.')).toBeTruthy();
  });

  it('says how to serve the home network where it was not asked for', async () => {
    lan.mockResolvedValue({ here: 'computer', on: false, addresses: [] });
    open();
    expect(await screen.findByText('npm start -- --lan')).toBeTruthy();
  });

  it('says that there is no network just now', async () => {
    lan.mockResolvedValue({ ...HERE, addresses: [] });
    open();
    expect(await screen.findByText(/no address in the home network/)).toBeTruthy();
  });
});

describe('on a device', () => {
  const there: LanStanding = { ...HERE, here: 'device', deviceName: 'Field phone' };

  it('says who it is, and how to have it trust the computer until it does', async () => {
    lan.mockResolvedValue(there);
    act(() => useOffline.setState({ state: 'untrusted' }));
    // What this environment has none of.
    (globalThis as { navigator?: unknown }).navigator = { userAgent: 'iPhone' };
    open();
    expect(await screen.findByText('Paired as “Field phone”')).toBeTruthy();
    expect(screen.getByText(/Works at home only/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Get the certificate' })).toBeTruthy();
    expect(screen.getByText(/Certificate trust settings/)).toBeTruthy();
    act(() => useOffline.setState({ state: 'ready' }));
    expect(screen.queryByRole('button', { name: 'Get the certificate' })).toBeNull();
  });

  it('out of reach, says what is here', async () => {
    lan.mockRejectedValue(new ApiUnreachable('The server cannot be reached.'));
    open();
    expect(await screen.findByText(/computer cannot be reached from here/)).toBeTruthy();
    expect(screen.getByText(/Not all rows are here yet/)).toBeTruthy();
  });
});

describe('the parts', () => {
  it('count a code’s time down', () => {
    expect([300, 299.4, 65, 9.9, 0].map(leftText)).toEqual(['5:00', '4:59', '1:05', '0:09', '0:00']);
  });

  it('draw the finder patterns of a QR code, with room around it', () => {
    const { path, size } = qrModules('https://192.168.1.20:4101');
    const dark = new Set(path.match(/M\d+ \d+/g));
    // Seven by seven, one light ring, three by three in the middle: at three corners.
    for (const [x0, y0] of [
      [4, 4],
      [size - 11, 4],
      [4, size - 11],
    ] as const)
      for (let y = 0; y < 7; y++)
        for (let x = 0; x < 7; x++) {
          const ring = Math.max(Math.abs(x - 3), Math.abs(y - 3));
          expect(dark.has(`M${x0 + x} ${y0 + y}`)).toBe(ring !== 2);
        }
    expect([...dark].some((each) => /M[0-3] |M\d+ [0-3]$/.test(each))).toBe(false);
  });
});
