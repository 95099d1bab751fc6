import { toString } from 'qrcode';
import type { PairingOffer } from '@/contract/lan';

/** A code as one reads it out: in two halves. */
export const codeText = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`;

/** What the terminal says of the home network: address, its picture for a camera, and what to do. */
export async function homeLines(url: string, others: string[], computer: string): Promise<string[]> {
  return [
    `In the home network: ${url}`,
    ...(others.length ? [`Also: ${others.join(', ')}`] : []),
    await toString(url, { type: 'terminal', small: true }),
    '1. Point the camera of the phone at the picture above and open the address. It warns that it does not know this computer: go on all the same.',
    `2. Type the code that ${computer}/kit/along shows, or press Enter here for one.`,
    '3. In Kit, “Take it along” on the phone says how to have it trust this computer, so that it opens with no signal.',
  ];
}

export const offerLine = ({ code, expiresAt }: PairingOffer): string =>
  `Code: ${codeText(code)}   holds until ${new Date(expiresAt).toLocaleTimeString('en-GB')} and for one device.`;
