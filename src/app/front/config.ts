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
  /** Where and how often the database is copied while the app runs, and how many copies are kept; null = not. */
  readonly backup: { readonly folder: string; readonly everyMs: number; readonly keep: number } | null;
}

/** @throws Error for something that is not an address, an origin or a number */
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
  const whole = (name: string, standard: number) => {
    const text = env[name] ?? String(standard);
    if (!/^[1-9]\d{0,5}$/.test(text)) throw new Error(`${name}: "${text}" is no whole number from 1`);
    return Number(text);
  };
  const named = list(env.ABLE_ORIGIN).map((one) => new URL(one).origin);
  const local = ['localhost', '127.0.0.1'].map((host) => `http://${host}:${port}`);
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    origins: new Set(named.length > 0 ? named : local),
    proxies,
    log: env.ABLE_LOG !== 'off',
    backup: env.ABLE_BACKUP_DIR
      ? {
          folder: env.ABLE_BACKUP_DIR,
          everyMs: whole('ABLE_BACKUP_MINUTES', 15) * 60_000,
          keep: whole('ABLE_BACKUP_KEEP', 96),
        }
      : null,
  };
}
