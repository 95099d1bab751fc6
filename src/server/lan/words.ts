import { toString } from 'qrcode';
import type { PairingOffer } from '@/contract/lan';
import { TRUST_MEANS, TRUST_STEPS, TRUST_SYSTEMS } from '@/contract/trustWords';

/** A code as one reads it out: in two halves. */
export const codeText = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`;

/** What the terminal says of the home network: address, its picture for a camera, and what to do. */
export async function homeLines(
  url: string,
  others: string[],
  computer: string,
  fingerprint: string,
): Promise<string[]> {
  return [
    `In the home network: ${url}`,
    ...(others.length ? [`Also: ${others.join(', ')}`] : []),
    await toString(url, { type: 'terminal', small: true }),
    '1. Point the camera of the phone at the picture above and open the address. It warns that it does not know this computer: go on all the same.',
    `2. Type the code that ${computer}/kit/along shows, or press Enter here for one.`,
    '3. Have the phone trust this computer, so that it opens with no signal:',
    ...TRUST_SYSTEMS.flatMap(({ value, name }) => [
      `   ${name}`,
      ...TRUST_STEPS[value].map((step, i) => `     ${i + 1}) ${step}`),
    ]),
    `   Fingerprint to compare: ${fingerprint.replace(/:/g, ' ').toLowerCase()}`,
    `   ${TRUST_MEANS}`,
  ];
}

export const offerLine = ({ code, expiresAt }: PairingOffer): string =>
  `Code: ${codeText(code)}   holds until ${new Date(expiresAt).toLocaleTimeString('en-GB')} and for one device.`;
