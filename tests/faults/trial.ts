import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import { seededRandom } from '../../src/core/content/random';
import config from '../../playwright.config';
import { EVERY_KIND, goTo, PASSWORDS, ready, startTest, type App } from '../e2e/app';
import { numberOf } from '../e2e/kinds';

/**
 * What happens to a student in the middle of work: the page is loaded again or closed, the browser's processes are killed, the server is
 * killed, the network is cut, the computer's clock is set an hour on or back, the browser will store nothing more.
 */
export const FAULTS = ['reload', 'page', 'browser', 'server', 'network', 'clock', 'storage'] as const;
export type Fault = (typeof FAULTS)[number];

const ITEMS = ['choice-1', 'inline-choice-1', 'text-entry-1'] as const;
const HOUR_MS = 3_600_000;

/** Kills every process that was started with these words, without a chance to say goodbye. */
function killAll(words: string): void {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(words)) process.kill(Number(pid), 'SIGKILL');
    } catch {
      // Gone already.
    }
}

/** One student at one test, on a computer with a disk of its own, to whom things happen; everything drawn from one seed. */
export class Trial {
  private context: BrowserContext | null = null;
  private shown: Page | null = null;
  private readonly profile = mkdtempSync(join(tmpdir(), 'able-profile-'));
  private readonly random: () => number;
  private address = '';
  /** What the server must have in the end: one value where it was given for sure, else also the one before. */
  private readonly given = new Map<string, readonly string[]>();
  /** Milliseconds that this computer's clock is off. */
  private shift = 0;

  constructor(
    private readonly app: App,
    seed: string,
  ) {
    this.random = seededRandom(seed);
  }

  private get page(): Page {
    if (!this.shown) throw new Error('no page is open');
    return this.shown;
  }
  private pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)] as T;
  }

  async begin(): Promise<void> {
    await this.launch();
    await startTest(this.page, this.app, 'wren', EVERY_KIND);
    this.address = this.page.url();
    await this.stand();
  }

  async end(): Promise<void> {
    await this.context?.close();
    rmSync(this.profile, { recursive: true, force: true });
  }

  private async launch(): Promise<void> {
    this.context = await chromium.launchPersistentContext(this.profile, {
      ...config.use?.launchOptions,
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'allow',
    });
    await this.context.addInitScript(() => {
      const shift = Number(localStorage.getItem('clock-shift') ?? 0);
      const { now } = Date;
      Date.now = () => now.call(Date) + shift;
    });
    this.shown = this.context.pages()[0] ?? (await this.context.newPage());
    this.page.setDefaultTimeout(20_000);
    // A killed browser may have lost its cookie; whoever sits there signs in again.
    await this.page.request.post(`${this.app.url}/api/sign-in`, {
      headers: { origin: this.app.url },
      data: { name: 'wren', password: PASSWORDS.wren },
    });
  }

  /** The test is on the screen, and could be loaded again without network. */
  private async stand(): Promise<void> {
    await ready(this.page);
    await expect(this.page.locator('[data-save]')).toHaveAttribute('data-offline', 'ready', {
      timeout: 60_000,
    });
  }

  /** A random answer to a random question. @param surely waits until it is said to be kept, and is */
  private async answer(surely: boolean): Promise<void> {
    const { page } = this;
    const item = this.pick(ITEMS);
    await goTo(page, numberOf(item));
    let value: string;
    if (item === 'choice-1') {
      const choices = page.locator('[data-unit=choice]');
      const one = choices.nth(Math.floor(this.random() * (await choices.count())));
      value = ((await one.getAttribute('data-unit-key')) ?? '').split(':')[1] ?? '';
      await one.locator('label').click();
    } else if (item === 'inline-choice-1') {
      const menu = page.getByRole('combobox');
      const options = await menu.locator('option').count();
      await menu.selectOption({ index: 1 + Math.floor(this.random() * (options - 1)) });
      value = await menu.inputValue();
    } else {
      value = String(Math.floor(this.random() * 100_000) / 10);
      await page.getByRole('textbox').fill(value);
      await page.getByRole('textbox').blur();
    }
    const before = this.given.get(item) ?? ['nothing'];
    const now = JSON.stringify(value);
    this.given.set(item, surely ? [now] : [...before, now]);
    if (surely) await this.isKept();
  }

  /** The sign says that it is kept, and the computer has written all that it was given to write. */
  private async isKept(): Promise<void> {
    await expect(this.page.locator('[data-save]')).toHaveAttribute('data-save', /^(saved|kept)$/);
    await this.page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const opening = indexedDB.open('able-compass');
          opening.onerror = () => reject(new Error('the journal cannot be opened'));
          opening.onsuccess = () => {
            const writing = opening.result.transaction('journal', 'readwrite');
            writing.oncomplete = () => {
              opening.result.close();
              resolve();
            };
          };
        }),
    );
  }

  /** Works a while, is hit, and goes on when all is well again. */
  async suffer(fault: Fault): Promise<void> {
    const works = 1 + Math.floor(this.random() * 2);
    for (let i = 0; i < works; i += 1) await this.answer(i < works - 1 || this.random() < 0.7);
    const happens: Record<Fault, () => Promise<void>> = {
      reload: () => this.reload(),
      page: () => this.anotherPage(),
      browser: () => this.killBrowser(),
      server: () => this.killServer(),
      network: () => this.cutNetwork(),
      clock: () => this.setClock(),
      storage: () => this.fillStorage(),
    };
    await happens[fault]();
    await this.recover();
  }

  private async reload(): Promise<void> {
    await this.page.reload();
  }
  private async anotherPage(): Promise<void> {
    const next = await this.context?.newPage();
    await this.page.close();
    this.shown = next ?? null;
  }
  private async killBrowser(): Promise<void> {
    const gone = new Promise((resolve) => this.context?.once('close', resolve));
    killAll(this.profile);
    await gone;
    await this.launch();
  }
  private async killServer(): Promise<void> {
    await this.app.kill();
    await this.withoutServer();
    await this.app.start();
  }
  private async cutNetwork(): Promise<void> {
    await this.context?.setOffline(true);
    await this.withoutServer();
    await this.context?.setOffline(false);
  }
  /** Goes on working, and loads the page again in the middle of it. */
  private async withoutServer(): Promise<void> {
    await this.answer(true);
    if (this.random() < 0.5) return;
    await this.page.goto(this.address);
    await ready(this.page);
    await this.answer(true);
  }
  private async setClock(): Promise<void> {
    this.shift += this.random() < 0.5 ? HOUR_MS : -HOUR_MS;
    await this.page.evaluate((shift) => localStorage.setItem('clock-shift', String(shift)), this.shift);
    await this.page.reload();
    await ready(this.page);
    await this.answer(true);
  }
  private async fillStorage(): Promise<void> {
    const session = await this.page.context().newCDPSession(this.page);
    const quota = (quotaSize?: number) =>
      session.send('Storage.overrideQuotaForOrigin', { origin: this.app.url, quotaSize });
    await quota(1);
    // The server is there, so that nothing depends on the computer.
    await this.answer(false);
    await expect(this.page.locator('[data-save]')).toHaveAttribute('data-save', 'saved');
    await quota();
    await session.detach();
  }

  /** Everything is well again: the same answers are with the server, and on the screen of the page that is open then. */
  private async recover(): Promise<void> {
    const { page } = this;
    if (page.url() !== this.address) await page.goto(this.address);
    await ready(page);
    await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved', { timeout: 60_000 });
    const kept = new Map(
      this.app
        .query<{ item: string; value: string }>('SELECT item, value FROM responses')
        .map(({ item, value }) => [item, value]),
    );
    for (const [item, allowed] of this.given) {
      const value = kept.get(item) ?? 'nothing';
      expect(allowed, `${item} after the fault`).toContain(value);
      this.given.set(item, [value]);
    }
    await this.stand();
  }

  /** What is on the screen is what the server has. */
  async agree(): Promise<void> {
    for (const [item, [value = '']] of this.given) {
      if (value === 'nothing') continue;
      const given = JSON.parse(value) as string;
      await goTo(this.page, numberOf(item));
      if (item === 'choice-1')
        await expect(this.page.locator(`[data-unit-key$=":${given}"]`).getByRole('radio')).toBeChecked();
      else if (item === 'inline-choice-1') await expect(this.page.getByRole('combobox')).toHaveValue(given);
      else await expect(this.page.getByRole('textbox')).toHaveValue(given);
    }
  }
}

/** So many faults in an order drawn from a seed, each kind as often as the others. */
export function faultsInOrder(count: number, seed: string): Fault[] {
  const random = seededRandom(`order of ${seed}`);
  return Array.from({ length: count }, (_, i) => FAULTS[i % FAULTS.length] as Fault)
    .map((fault) => ({ fault, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ fault }) => fault);
}
