import type { IncomingMessage } from 'node:http';
import { isIP } from 'node:net';
import type { FrontConfig } from './config';

/** Who is at the other end: the socket's address, or what a trusted proxy says of it. */
export interface Client {
  readonly address: string;
  readonly secure: boolean;
}

const plain = (address: string): string => address.replace(/^::ffff:/, '');
const isTrusted = (address: string, { proxies }: FrontConfig): boolean =>
  isIP(address) !== 0 && proxies.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** A header anyone can make up is believed only from a proxy that was named; of its hops the last that is none of ours. */
export function clientOf(request: IncomingMessage, config: FrontConfig): Client {
  const socket = plain(request.socket.remoteAddress ?? '');
  if (!isTrusted(socket, config)) return { address: socket, secure: false };
  const hops =
    request.headers['x-forwarded-for']
      ?.toString()
      .split(',')
      .map((one) => plain(one.trim())) ?? [];
  const address = hops.reverse().find((one) => isIP(one) !== 0 && !isTrusted(one, config)) ?? socket;
  return { address, secure: request.headers['x-forwarded-proto']?.toString().trim() === 'https' };
}

/**
 * Whether a request that changes something comes from one of our own pages. Browsers say where it comes from; what says nothing
 * (a script of the school's own) has no cookie it did not get by signing in.
 */
export function isFromElsewhere(
  headers: { readonly origin: string | null; readonly site: string | null },
  origins: ReadonlySet<string>,
): boolean {
  if (headers.site !== null && !['same-origin', 'none'].includes(headers.site)) return true;
  return headers.origin !== null && !origins.has(headers.origin);
}
