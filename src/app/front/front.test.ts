import type { IncomingMessage } from 'node:http';
import { clientOf, isFromElsewhere } from './client';
import { readConfig } from './config';
import { newNonce, securityHeaders } from './headers';
import { logLine, Metrics } from './log';

const config = (env: Record<string, string> = {}) => readConfig(env as unknown as NodeJS.ProcessEnv, 3000);
const request = (remoteAddress: string, headers: Record<string, string> = {}) =>
  ({ socket: { remoteAddress }, headers }) as unknown as IncomingMessage;

describe('how a school runs it', () => {
  test('nothing said: loopback, its own address, no proxy, no copies', () => {
    const { host, origins, backup, log } = config();
    expect(host).toBe('127.0.0.1');
    expect([...origins]).toEqual(['http://localhost:3000', 'http://127.0.0.1:3000']);
    expect(backup).toBeNull();
    expect(log).toBe(true);
  });
  test('copies: where, how often, how many', () => {
    expect(config({ ABLE_BACKUP_DIR: '/b' }).backup).toEqual({ folder: '/b', everyMs: 900_000, keep: 96 });
    expect(config({ ABLE_BACKUP_DIR: '/b', ABLE_BACKUP_MINUTES: '5', ABLE_BACKUP_KEEP: '3' }).backup).toEqual(
      {
        folder: '/b',
        everyMs: 300_000,
        keep: 3,
      },
    );
  });
  test.each([
    [{ ABLE_TRUSTED_PROXIES: 'nginx' }, /ABLE_TRUSTED_PROXIES/],
    [{ ABLE_ORIGIN: 'school' }, /URL/],
    [{ ABLE_BACKUP_DIR: '/b', ABLE_BACKUP_MINUTES: '0' }, /ABLE_BACKUP_MINUTES/],
    [{ ABLE_BACKUP_DIR: '/b', ABLE_BACKUP_KEEP: 'all' }, /ABLE_BACKUP_KEEP/],
  ])('%j is refused by name', (env, message) => {
    expect(() => config(env as Record<string, string>)).toThrow(message);
  });
});

describe('who asks', () => {
  const made = { 'x-forwarded-for': '203.0.113.9', 'x-forwarded-proto': 'https' };
  test('a made-up header is not believed', () => {
    expect(clientOf(request('198.51.100.7', made), config())).toEqual({
      address: '198.51.100.7',
      secure: false,
    });
  });
  test('a named proxy is, for the last hop that is none of ours', () => {
    const behind = config({ ABLE_TRUSTED_PROXIES: '127.0.0.1 10.0.0.0/8' });
    expect(clientOf(request('::ffff:127.0.0.1', made), behind)).toEqual({
      address: '203.0.113.9',
      secure: true,
    });
    const two = { ...made, 'x-forwarded-for': '1.2.3.4, 203.0.113.9, 10.1.1.1' };
    expect(clientOf(request('127.0.0.1', two), behind).address).toBe('203.0.113.9');
    const nonsense = { ...made, 'x-forwarded-for': 'unknown' };
    expect(clientOf(request('127.0.0.1', nonsense), behind).address).toBe('127.0.0.1');
  });
  test.each([
    ['our own page', 'https://school.test', 'same-origin', false],
    ['a script that says nothing', null, null, false],
    ['another scheme', 'http://school.test', null, true],
    ['another port', 'https://school.test:8443', null, true],
    ['a page in a frame of another site', 'https://school.test', 'cross-site', true],
    ['a sandboxed page', 'null', null, true],
  ])('%s', (_what, origin, site, elsewhere) => {
    expect(isFromElsewhere({ origin, site }, config({ ABLE_ORIGIN: 'https://school.test/' }).origins)).toBe(
      elsewhere,
    );
  });
});

test('scripts need the nonce of their answer; nothing frames us; secure answers stay secure', () => {
  const [one, two] = [newNonce(), newNonce()];
  expect(one).not.toBe(two);
  const headers = securityHeaders(one, true, false);
  expect(headers['content-security-policy']).toContain(
    `script-src 'self' 'nonce-${one}' 'wasm-unsafe-eval';`,
  );
  expect(headers['content-security-policy']).not.toMatch(/'unsafe-eval'|script-src[^;]*unsafe-inline/);
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers['strict-transport-security']).toMatch(/max-age/);
  expect(securityHeaders(one, false, false)['strict-transport-security']).toBeUndefined();
});

describe('what is written down of a request', () => {
  test.each([
    ['/api/attempts/3f2a1b4c-1111-2222-3333-444455556666/items/reading-1/check', '/api/attempts/:id/items/…'],
    ['/api/attempts/3f2a1b4c-1111-2222-3333-444455556666/assets/images/a.svg', '/api/attempts/:id/assets/…'],
    ['/sign-in?name=wren', '/sign-in'],
    ['/_next/static/chunks/a.js', '/_next'],
  ])('%s', (address, route) => {
    const line = JSON.parse(logLine('POST', address, 200, 1.234)) as Record<string, unknown>;
    expect(line).toMatchObject({ method: 'POST', route, status: 200, ms: 1.2 });
    expect(Object.keys(line).sort()).toEqual(['at', 'method', 'ms', 'route', 'status']);
  });
  test('counts for monitoring', () => {
    const metrics = new Metrics();
    metrics.count('GET', 200, 10);
    metrics.count('GET', 204, 30);
    metrics.count('POST', 503, 5);
    expect(metrics.text()).toContain('able_requests_total{method="GET",status="2xx"} 2\n');
    expect(metrics.text()).toContain('able_requests_total{method="POST",status="5xx"} 1\n');
    expect(metrics.text()).toMatch(/able_request_seconds_sum 0\.045\d*\n/);
  });
});
