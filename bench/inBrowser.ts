import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type CDPSession, type Page } from '@playwright/test';

/** The demo in a browser, signed in as `wren`, whose processor can be slowed. */
export interface Demo {
  readonly url: string;
  readonly page: Page;
  readonly client: CDPSession;
  close(): Promise<void>;
}

/** Seeds a demo of its own, starts its server on a port and signs in. */
export async function openDemo(port: number): Promise<Demo> {
  const folder = mkdtempSync(join(tmpdir(), 'able-bench-'));
  const env = { ...process.env, ABLE_DATA_DIR: folder, NODE_ENV: 'production' as const };
  await new Promise((resolve) =>
    spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'src/cli/seed.ts'], {
      env,
      stdio: 'ignore',
    }).once('exit', resolve),
  );
  const app = spawn(process.execPath, ['--import', 'tsx', 'src/app/server.ts', '--port', String(port)], {
    env,
    stdio: 'ignore',
  });
  const url = `http://localhost:${port}`;
  for (let i = 0; i < 100; i += 1) {
    if (
      await fetch(`${url}/sign-in`).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/sign-in`);
  await page.getByLabel('Name').fill('wren');
  await page.getByLabel('Password', { exact: true }).fill('kelp-and-tide');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'My tests' }).waitFor();
  const client = await page.context().newCDPSession(page);
  // tsx gives functions their names with a helper that a page has not.
  await page.addInitScript('globalThis.__name = (f) => f');
  return {
    url,
    page,
    client,
    close: async () => {
      await browser.close();
      app.kill('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** From the press (or the key) to the frame after next: when it is painted; milliseconds. */
export const paintAfter = (page: Page, selector: string, key?: string): Promise<number> =>
  page.evaluate(
    ([target, letter]) =>
      new Promise<number>((resolve) => {
        const element = document.querySelector<HTMLElement>(target ?? '');
        if (!element) throw new Error(`no ${target}`);
        const begin = performance.now();
        if (letter) element.dispatchEvent(new KeyboardEvent('keydown', { key: letter, bubbles: true }));
        else element.click();
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => resolve(performance.now() - begin);
          channel.port2.postMessage(0);
        });
      }),
    [selector, key] as const,
  );
