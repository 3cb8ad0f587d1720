import { BlockList, isIP } from 'node:net';

/** How a school runs it: everything that is read from the environment, in one place. See docs/running.md. */
export interface FrontConfig {
  readonly port: number;
  /** Loopback unless said otherwise: behind a proxy nothing else has to reach it. */
  readonly host: string;
  /** Where its pages are: requests that change something must come from one of these, scheme and all. */
  readonly origins: ReadonlySet<string>;
  /** Addresses of proxies whose `x-forwarded-for` and `x-forwarded-proto` are believed. */
  readonly proxies: BlockList;
  /** Whether a line is written for every request. */
  readonly log: boolean;
}

/** @throws Error for something that is not an address or origin */
export function readConfig(env: NodeJS.ProcessEnv, port: number): FrontConfig {
  const list = (text: string | undefined) => text?.split(/[\s,]+/).filter(Boolean) ?? [];
  const proxies = new BlockList();
  for (const one of list(env.ABLE_TRUSTED_PROXIES)) {
    const [address = '', bits] = one.split('/');
    const family = isIP(address) === 6 ? 'ipv6' : 'ipv4';
    if (isIP(address) === 0) throw new Error(`ABLE_TRUSTED_PROXIES: "${one}" is not an address`);
    if (bits === undefined) proxies.addAddress(address, family);
    else proxies.addSubnet(address, Number(bits), family);
  }
  const named = list(env.ABLE_ORIGIN).map((one) => new URL(one).origin);
  const local = ['localhost', '127.0.0.1'].map((host) => `http://${host}:${port}`);
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    origins: new Set(named.length > 0 ? named : local),
    proxies,
    log: env.ABLE_LOG !== 'off',
  };
}
