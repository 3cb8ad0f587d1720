// npm run deploy:check: starts two schools behind nginx on loopback, with the files of deploy/ as they are but for names, ports and
// certificates, and tries what docs/running.md promises. Needs Debian's nginx and openssl; no part of CI.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { request as plainRequest } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, node, say } from './setup.mjs';

const HTTP = 18080;
const HTTPS = 18443;
const schools = [
  { name: 'skerry', host: 'skerry.school.test', port: 13001 },
  { name: 'outer', host: 'outer.school.test', port: 13002 },
];
if (!existsSync('/usr/sbin/nginx')) {
  console.error('nginx is not here: apt-get install nginx-light openssl');
  process.exit(1);
}
ensureBuild();
const folder = mkdtempSync(join(tmpdir(), 'able-deploy-'));
const children = [];
let failures = 0;
const check = (what, ok, seen) => {
  console.log(`${ok ? 'ok  ' : 'FAIL'}  ${what}${ok ? '' : `: ${JSON.stringify(seen)}`}`);
  if (!ok) failures += 1;
};

/** One request through nginx to the school of that name. */
const ask = (host, path, { method = 'GET', headers = {}, body = '', tls = true } = {}) =>
  new Promise((resolve, reject) => {
    const asked = (tls ? request : plainRequest)(
      {
        host: '127.0.0.1',
        port: tls ? HTTPS : HTTP,
        servername: host,
        rejectUnauthorized: false,
        method,
        path,
        headers: {
          host,
          ...(body !== '' && {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(body),
          }),
          ...headers,
        },
      },
      (response) => {
        const pieces = [];
        response.on('data', (piece) => pieces.push(piece));
        response.on('end', () =>
          resolve({
            status: response.statusCode,
            headers: response.headers,
            text: Buffer.concat(pieces).toString(),
          }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(body);
  });
const until = async (what, done) => {
  for (let i = 0; i < 300; i += 1) {
    if (await done().catch(() => false)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${what} did not come up`);
};

try {
  const template = readFileSync('deploy/nginx.conf', 'utf8');
  const sites = schools.map(({ name, host, port }) => {
    const [crt, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)];
    spawnSync('openssl', [
      'req',
      '-x509',
      '-newkey',
      'rsa:2048',
      '-nodes',
      '-days',
      '1',
      '-subj',
      `/CN=${host}`,
      '-keyout',
      key,
      '-out',
      crt,
    ]);
    return template
      .replaceAll('skerry_school', `${name}_school`)
      .replaceAll('skerry.school.test', host)
      .replaceAll('127.0.0.1:3001', `127.0.0.1:${port}`)
      .replaceAll('/etc/able-compass/skerry.crt', crt)
      .replaceAll('/etc/able-compass/skerry.key', key)
      .replaceAll('listen 80;', `listen 127.0.0.1:${HTTP};`)
      .replaceAll('listen 443 ', `listen 127.0.0.1:${HTTPS} `);
  });
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
    (one) => `${one}_temp_path ${folder}/${one};`,
  );
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; pid ${folder}/nginx.pid; error_log ${folder}/error.log;\nevents {}\nhttp { access_log off; ${temporary.join(' ')}\n${sites.join('\n')}\n}\n`,
  );
  const tested = spawnSync('/usr/sbin/nginx', ['-t', '-c', join(folder, 'nginx.conf')], { encoding: 'utf8' });
  check('nginx takes the configuration', tested.status === 0, tested.stderr);
  for (const { name, host, port } of schools) {
    const data = join(folder, name);
    mkdirSync(data);
    const set = readFileSync('deploy/skerry.env', 'utf8')
      .replaceAll('skerry.school.test', host)
      .replaceAll('/var/lib/able-compass/skerry', data)
      .replace('PORT=3001', `PORT=${port}`)
      .split('\n')
      .filter((line) => line !== '' && !line.startsWith('#'))
      .map((line) => line.split(/=(.*)/s).slice(0, 2));
    const env = { ...Object.fromEntries(set), ABLE_DATA_DIR: data, NODE_ENV: 'production', ABLE_LOG: 'off' };
    node(['.next/able/seed.mjs'], { env });
    children.push(
      spawn(process.execPath, ['.next/able/server.mjs'], {
        env: { ...process.env, ...env },
        stdio: 'ignore',
      }),
    );
  }
  children.push(spawn('/usr/sbin/nginx', ['-c', join(folder, 'nginx.conf')], { stdio: 'inherit' }));
  for (const { host } of schools) await until(host, async () => (await ask(host, '/healthz')).status === 200);

  say('two schools behind nginx');
  const [one, two] = schools.map(({ host }) => host);
  const there = await ask(one, '/tests?x=1', { tls: false });
  check(
    'plain HTTP leads to HTTPS',
    there.status === 308 && there.headers.location === `https://${one}/tests?x=1`,
    there,
  );
  const page = await ask(one, '/sign-in');
  check('the sign-in page is there', page.status === 200 && page.text.includes('Able Compass'), page.status);
  check('HTTPS stays HTTPS', /max-age=/.test(page.headers['strict-transport-security'] ?? ''), page.headers);
  check('figures are not for the world', (await ask(one, '/metrics')).status === 404);
  const signIn = (host, origin, more = {}) =>
    ask(host, '/api/sign-in', {
      method: 'POST',
      headers: { origin, ...more },
      body: JSON.stringify({ name: 'wren', password: 'kelp-and-tide' }),
    });
  const signedIn = await signIn(one, `https://${one}`);
  const cookie = signedIn.headers['set-cookie']?.[0] ?? '';
  check(
    'signing in gives a __Host- cookie',
    /^__Host-.*Secure/i.test(cookie) && !/domain=/i.test(cookie),
    cookie,
  );
  const session = cookie.split(';')[0];
  check(
    'whoever signed in is known',
    (await ask(one, '/tests', { headers: { cookie: session } })).status === 200,
  );
  const elsewhere = await ask(two, '/tests', { headers: { cookie: session } });
  check('and not at the other school', elsewhere.status === 307, elsewhere.status);
  for (const origin of [`http://${one}`, `https://${two}`, 'null'])
    check(`a change asked for from ${origin} is refused`, (await signIn(one, origin)).status === 403);
  const large = await ask(one, '/api/sign-in', {
    method: 'POST',
    headers: { origin: `https://${one}` },
    body: 'x'.repeat(5_000_000),
  }).catch(() => ({ status: 413 }));
  check('a body of 5 MB gets nowhere', large.status === 413, large.status);
  const made = [];
  for (let i = 0; i < 12; i += 1)
    made.push(
      (
        await ask(one, '/api/sign-in', {
          method: 'POST',
          headers: { origin: `https://${one}`, 'x-forwarded-for': `203.0.113.${i}` },
          body: JSON.stringify({ name: 'tomas', password: 'wrong' }),
        })
      ).status,
    );
  check('made-up addresses do not get round the waiting', made.includes(429), made);
  children[0].kill('SIGKILL');
  await until('the gap', async () => (await ask(one, '/healthz')).status === 502);
  check('one school down, the other goes on', (await ask(two, '/healthz')).status === 200);
} finally {
  for (const child of children) child.kill('SIGTERM');
  await new Promise((resolve) => setTimeout(resolve, 300));
  rmSync(folder, { recursive: true, force: true });
}
console.log(failures === 0 ? '\nall of it holds' : `\n${failures} do not hold`);
process.exit(failures === 0 ? 0 : 1);
