/* The addresses and names of this machine in its networks. */
import { BlockList, isIPv6 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { isOwnHost } from './ownRequest';

/** Its addresses that others can reach, IPv4 first. */
export function houseAddresses(): string[] {
  const all = Object.values(networkInterfaces()).flatMap((rows) => rows ?? []);
  const outer = all.filter(({ internal, address }) => !internal && !address.toLowerCase().startsWith('fe80'));
  return outer.sort((one, other) => one.family.localeCompare(other.family)).map(({ address }) => address);
}

/** As it stands in an address line. */
export const inUrl = (address: string): string => (isIPv6(address) ? `[${address}]` : address);

/** IPv4 inside IPv6 is told as IPv4. */
export const plainAddress = (address: string | undefined): string => (address ?? '').replace(/^::ffff:(?=\d+\.)/i, '');

/** Whether somebody speaks from a network that this machine stands in itself, or from the machine. */
export function isInHouse(remote: string): boolean {
  const house = new BlockList();
  for (const { cidr, family, address } of Object.values(networkInterfaces()).flatMap((rows) => rows ?? [])) {
    const kind = family === 'IPv6' ? 'ipv6' : 'ipv4';
    house.addSubnet(address, Number(cidr?.split('/')[1] ?? (kind === 'ipv6' ? 128 : 32)), kind);
  }
  return house.check(remote, isIPv6(remote) ? 'ipv6' : 'ipv4');
}

/** Whether a request is to this machine by a name or address that is its own: any other name may have been pointed here. */
export function isHouseHost(host: string): boolean {
  const own = hostname();
  return isOwnHost(host, [...houseAddresses().map(inUrl), own, `${own.split('.')[0]}.local`]);
}
