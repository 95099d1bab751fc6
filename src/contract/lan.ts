/** A device that was paired: it holds a secret of its own, of which the server keeps the hash. */
export interface PairedDevice {
  id: string;
  /** What the person calls it. */
  name: string;
  /** ISO 8601, UTC. */
  pairedAt: string;
  lastSeenAt: string;
  /** What it may do besides changing rows and exporting: `manage` is import, restore, backups and emptying. */
  rights: DeviceRights;
}

export type DeviceRights = '' | 'manage';

/** How the home network reaches this computer. */
export interface LanStanding {
  /** Where the question came from: the computer itself, or a paired device. */
  here: 'computer' | 'device';
  /** The name of the device that asked. */
  deviceName?: string;
  /** False when Jauge was started for this computer alone. */
  on: boolean;
  /** Where a device in the home network opens it, the first one first. */
  addresses: string[];
  /** The authority that signs this computer's certificate: its fingerprint (SHA-256) and until when it holds (ISO 8601). */
  authority?: { fingerprint: string; validUntil: string };
}

/** A pairing code, as the computer shows it. */
export interface PairingOffer {
  /** Eight characters, without those that look alike. */
  code: string;
  /** ISO 8601, UTC. */
  expiresAt: string;
  triesLeft: number;
}

/** What became of the last code that was shown. */
export interface PairingStanding {
  /** The code as it still holds, or nothing. */
  offer: PairingOffer | null;
  /** Why there is none: it was used by a device, its time was over, or it was tried too often. */
  ended: 'used' | 'over' | 'tries' | null;
}

/** The longest name of a device. */
export const LONGEST_DEVICE_NAME = 60;
