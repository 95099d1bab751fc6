import net from 'node:net';
import os from 'node:os';

type Interfaces = ReturnType<typeof os.networkInterfaces>;

const octets = (address: string): number[] => address.split('.').map(Number);

/** Addresses that never lead out of the house (RFC 1918, RFC 3927), or out of the machine. */
function staysAtHome(address: string): boolean {
  const [a, b] = octets(address) as [number, number];
  return (
    a === 10 || a === 127 || (a === 172 && b >= 16 && b < 32) || (a === 192 && b === 168) || (a === 169 && b === 254)
  );
}

/** This machine's addresses in home networks. */
export function homeAddresses(interfaces: Interfaces = os.networkInterfaces()): string[] {
  return Object.values(interfaces)
    .flatMap((each) => each ?? [])
    .filter((each) => each.family === 'IPv4' && !each.internal && staysAtHome(each.address))
    .map((each) => each.address);
}

/** The names this machine has in the home network, in small letters. */
export function machineNames(hostName: string = os.hostname()): string[] {
  const name = hostName.toLowerCase().replace(/\.local$/, '');
  return /^[a-z0-9-]+$/.test(name) ? [name, `${name}.local`] : [];
}

/**
 * The addresses to listen on: those that were asked for, or all of the home network.
 *
 * @param wanted addresses with commas between; empty for those of the home network
 * @throws Error in words that say what to do
 */
export function listenAddresses(wanted: string, interfaces: Interfaces = os.networkInterfaces()): string[] {
  const named = wanted
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '');
  for (const address of named) {
    if (!net.isIPv4(address))
      throw new Error(
        `--lan=${address} is not an address like 192.168.1.20. Leave it out for those of the home network.`,
      );
    if (!staysAtHome(address))
      throw new Error(
        `--lan=${address} is no address of a home network, and Jauge is not made for the open internet. Name one like 192.168.1.20.`,
      );
  }
  if (named.length > 0) return [...new Set(named)];
  const found = homeAddresses(interfaces);
  if (found.length === 0)
    throw new Error(
      'This machine has no address in a home network just now. Connect it, or name the address: npm start -- --lan=192.168.1.20',
    );
  return found;
}
