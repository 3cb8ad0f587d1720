import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type Browser, type BrowserContext, type Page } from '@playwright/test';
import Database from 'better-sqlite3';
import { OF_ATTEMPTS } from '../../src/server/db/ofAttempts';

async function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() =>
        typeof address === 'object' && address ? resolve(address.port) : reject(new Error('no port')),
      );
    });
  });
}

/** A server of this test's own, with its own copy of the demo database. */
export class App {
  private process: ChildProcess | null = null;
  /** The people of the demo as they are before any test. */
  readonly people: readonly {
    id: number;
    needs: string;
    chosen_view: string | null;
    language: string | null;
  }[];
  /** How their tests are given. */
  readonly given: readonly { id: number; options: string }[];
  constructor(
    readonly port: number,
    readonly folder: string,
  ) {
    this.people = this.query('SELECT id, needs, chosen_view, language FROM users');
    this.given = this.query('SELECT id, options FROM assignments');
  }

  get url(): string {
    return `http://localhost:${this.port}`;
  }

  async start(): Promise<void> {
    this.process = spawn(process.execPath, ['.next/able/server.mjs', '--port', String(this.port)], {
      env: { ...process.env, ABLE_DATA_DIR: this.folder, NODE_ENV: 'production' },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    await expect
      .poll(
        () =>
          fetch(`${this.url}/sign-in`).then(
            (response) => response.status,
            () => 0,
          ),
        { timeout: 60_000, intervals: [100] },
      )
      .toBe(200);
  }

  /** Dies like in a power cut: no time to say goodbye. */
  async kill(): Promise<void> {
    const dying = this.process;
    this.process = null;
    if (!dying || dying.exitCode !== null) return;
    const gone = new Promise((resolve) => dying.once('exit', resolve));
    dying.kill('SIGKILL');
    await gone;
  }

  /** Looks into the database, as an auditor would. */
  query<Row>(sql: string, ...parameters: unknown[]): Row[] {
    const db = new Database(join(this.folder, 'able-compass.sqlite'));
    try {
      return db.prepare<unknown[], Row>(sql).all(...parameters);
    } finally {
      db.close();
    }
  }

  /** Changes the database behind the server's back, e.g. to let time pass. */
  change(sql: string, ...parameters: unknown[]): void {
    const db = new Database(join(this.folder, 'able-compass.sqlite'));
    try {
      db.prepare(sql).run(...parameters);
    } finally {
      db.close();
    }
  }
}

/** @param taken with what the demo's other class has handed in; else nobody has begun anything */
async function startCopy({ taken }: { readonly taken: boolean }): Promise<App> {
  const template = process.env.ABLE_TEMPLATE;
  if (template === undefined) throw new Error('the demo was not seeded');
  const folder = mkdtempSync(join(tmpdir(), 'able-e2e-'));
  cpSync(template, folder, { recursive: true });
  const app = new App(await freePort(), folder);
  if (!taken) forgetAttempts(app);
  await app.start();
  return app;
}
function forgetAttempts(app: App): void {
  for (const table of [...OF_ATTEMPTS, 'attempts']) app.change(`DELETE FROM ${table}`);
}
async function stopCopy(app: App): Promise<void> {
  await app.kill();
  rmSync(app.folder, { recursive: true, force: true });
}

interface Fixtures {
  /** The server all tests of a worker share, with every attempt taken away before each. */
  readonly app: App;
  /** A server of this test's own, which it may kill or set up otherwise. */
  readonly ownApp: App;
  /** The same, where a class has handed in a test already. */
  readonly classApp: App;
}
/** Everything of a browser that pages of ours may leave behind, but for what it fetched and compiled. */
const LEFT_BEHIND = 'local_storage,indexeddb,cache_storage,service_workers,file_systems';
/**
 * One browser context for all tests of a worker that ask for nothing special: the scripts of the app are fetched and
 * compiled once, not in every test. Between tests all that a page can keep is taken away.
 */
class SharedContext {
  private readonly origins = new Set<string>();
  private constructor(
    readonly context: BrowserContext,
    private readonly broom: Page,
  ) {
    context.on('page', (page) => {
      page.on('framenavigated', (frame) => this.origins.add(new URL(frame.url()).origin));
    });
  }
  static async open(browser: Browser): Promise<SharedContext> {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      locale: 'en-US',
      timezoneId: 'UTC',
      serviceWorkers: 'block',
    });
    context.setDefaultTimeout(20_000);
    return new SharedContext(context, await context.newPage());
  }
  async sweep(): Promise<void> {
    for (const page of this.context.pages()) if (page !== this.broom) await page.close();
    await this.context.unrouteAll();
    await this.context.setOffline(false);
    await this.context.clearPermissions();
    await this.context.clearCookies();
    const session = await this.context.newCDPSession(this.broom);
    for (const origin of this.origins) {
      if (origin !== 'null')
        await session.send('Storage.clearDataForOrigin', { origin, storageTypes: LEFT_BEHIND });
    }
    await session.detach();
    this.origins.clear();
  }
}

export const test = base.extend<Fixtures, { readonly workerApp: App; readonly shared: SharedContext }>({
  shared: [
    async ({ browser }, use) => {
      const shared = await SharedContext.open(browser);
      await use(shared);
      await shared.context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ context, shared, hasTouch, forcedColors, serviceWorkers }, use) => {
    if (hasTouch || forcedColors === 'active' || serviceWorkers === 'allow') {
      await use(context);
      return;
    }
    await use(shared.context);
    await shared.sweep();
  },
  workerApp: [
    async ({}, use) => {
      const app = await startCopy({ taken: false });
      await use(app);
      await stopCopy(app);
    },
    { scope: 'worker' },
  ],
  app: async ({ workerApp }, use) => {
    forgetAttempts(workerApp);
    // What a test set for its student, or its student chose, is not there for the next.
    for (const { id, needs, chosen_view, language } of workerApp.people)
      workerApp.change(
        'UPDATE users SET needs = ?, chosen_view = ?, language = ? WHERE id = ?',
        ...[needs, chosen_view, language, id],
      );
    for (const { id, options } of workerApp.given)
      workerApp.change('UPDATE assignments SET options = ? WHERE id = ?', options, id);
    await use(workerApp);
  },
  ownApp: async ({}, use) => {
    const app = await startCopy({ taken: false });
    await use(app);
    await stopCopy(app);
  },
  classApp: async ({}, use) => {
    const app = await startCopy({ taken: true });
    await use(app);
    await stopCopy(app);
  },
});

/** Where two students are in the middle of "Every kind of question", each in a page that stays for all tests of a worker. */
interface InTheMiddle {
  readonly kindsApp: App;
  /** Where questions are answered with the pointer, by `wren`. */
  readonly pointerPage: Page;
  /** Where questions are answered with the keys alone, by `tomas`. */
  readonly keysPage: Page;
}
async function inTheMiddle(browser: Browser, app: App, name: Name): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    locale: 'en-US',
    timezoneId: 'UTC',
  });
  const page = await context.newPage();
  page.setDefaultTimeout(20_000);
  await startTest(page, app, name, EVERY_KIND);
  await ready(page);
  return page;
}
export const kindsTest = base.extend<object, InTheMiddle>({
  kindsApp: [
    async ({}, use) => {
      const app = await startCopy({ taken: false });
      await use(app);
      await stopCopy(app);
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  pointerPage: [
    async ({ browser, kindsApp }, use) => {
      const page = await inTheMiddle(browser, kindsApp, 'wren');
      await use(page);
      await page.context().close();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  keysPage: [
    async ({ browser, kindsApp }, use) => {
      const page = await inTheMiddle(browser, kindsApp, 'tomas');
      await use(page);
      await page.context().close();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
});
export { expect };

export const PASSWORDS = {
  wren: 'kelp-and-tide',
  tomas: 'ferry-at-nine',
  ines: 'gray-lantern',
  bao: 'skerry-gull',
  saoirse: 'storm-glass',
  mikkel: 'north-channel',
  odile: 'long-slipway',
  petra: 'harbor-chalk',
  sten: 'tide-table',
  ulla: 'quiet-jetty',
  noor: 'plumb-line',
  edda: 'signal-mast',
} as const;
export type Name = keyof typeof PASSWORDS;

/** Signs in by the form, as people do; ends on the first page of who signed in. */
export async function signInByHand(page: Page, app: App, name: Name): Promise<void> {
  await page.goto(`${app.url}/sign-in`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORDS[name]);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(/\/(tests|desk|desk\/marking)$/);
}

/** Sends what a page of ours would, with the session of `page`. */
async function send<Answer>(page: Page, app: App, path: string, data: object): Promise<Answer> {
  const answer = await page.request.post(`${app.url}${path}`, { headers: { origin: app.url }, data });
  expect(answer.status(), path).toBe(200);
  return (await answer.json()) as Answer;
}

/** Signed in, with no page opened yet: for tests that are about something behind the door. */
export async function signIn(page: Page, app: App, name: Name): Promise<void> {
  await send(page, app, '/api/sign-in', { name, password: PASSWORDS[name] });
}

/** What somebody needs is set, and the page they are on asked for again, as after a change of one's own: without a new start. */
export async function wear(
  page: Page,
  app: App,
  name: Name,
  needs: { readonly scheme: string },
): Promise<void> {
  app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', JSON.stringify(needs), name);
  await page.evaluate(() => {
    const { next } = window as unknown as { next: { router: { refresh(): void } } };
    next.router.refresh();
  });
  await expect(page.locator('html')).toHaveAttribute('data-scheme', needs.scheme);
}

/** How everything is given that is for real; practice stays as it is. */
export const giveAll = (app: App, options: object): void =>
  app.change('UPDATE assignments SET options = ? WHERE practice = 0', JSON.stringify(options));

/** The number in the addresses of what `name` has been given. */
export function assignmentOf(app: App, name: Name, title: string): number {
  const [found] = app.query<{ id: number }>(
    `SELECT a.id FROM assignments a JOIN tests t ON t.id = a.test_id JOIN users u ON u.id = a.user_id
     WHERE u.sign_in_name = ? AND t.title = ? AND a.practice = 0`,
    name,
    title,
  );
  if (!found) throw new Error(`${name} has not been given ${title}`);
  return found.id;
}

/** The demo's tests. */
export const BENCHMARK = 'Skerry Sound Spring Benchmark, grade 6';
export const EVERY_KIND = 'Every kind of question';
export const WORKSHOP = 'Skerry Sound Workshop: mathematics with tools';
export const CROSSING = 'The crossing to Gull Rock';

/** The link in My tests that opens what a test asks. */
export const linkTo = (page: Page, title: string) =>
  page.getByRole('link', { name: `See what it asks: ${title}`, exact: true });

/** Waits until everything later questions need is there. */
export const ready = (page: Page) => page.locator('[data-player=ready]').waitFor({ timeout: 40_000 });

/** In the test, on its first question; what comes before it has tests of its own. */
export async function startTest(page: Page, app: App, name: Name = 'wren', title = BENCHMARK): Promise<void> {
  await signIn(page, app, name);
  const { attemptId } = await send<{ attemptId: string }>(
    page,
    app,
    `/api/assignments/${assignmentOf(app, name, title)}/begin`,
    {},
  );
  await page.goto(`${app.url}/attempts/${attemptId}`);
  await onQuestion(page);
}

/** On a narrow screen its passage stands first. */
const onQuestion = (page: Page) => expect(page.locator('[data-sheet]').first()).toBeVisible();

/** The whole way from sign-in to the first question, as people go it. */
export async function startTestByHand(
  page: Page,
  app: App,
  name: Name = 'wren',
  title = BENCHMARK,
): Promise<void> {
  await signInByHand(page, app, name);
  await linkTo(page, title).click();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await onQuestion(page);
}

export const saved = (page: Page) => expect(page.getByText('All answers saved')).toBeVisible();

const heading = (page: Page) => page.getByRole('heading', { name: /^Question \d+$/ });
/** After a press that leads away: the next question, or the gentle stop, which is answered with going on. */
async function passReminder(page: Page, before: string | null): Promise<void> {
  const goOn = page.getByRole('button', { name: 'Go on anyway' });
  await expect
    .poll(
      async () =>
        (await goOn.isVisible()) ||
        (await heading(page)
          .textContent()
          .catch(() => before)) !== before,
    )
    .toBe(true);
  if (await goOn.isVisible()) await goOn.click();
}

/** Goes to a question by the trail. */
export async function goTo(page: Page, number: number): Promise<void> {
  const before = await heading(page).textContent();
  if (before === `Question ${number}`) return;
  await page
    .getByRole('navigation', { name: 'Question trail' })
    .getByRole('button', { name: new RegExp(`^Question ${number}:`) })
    .click();
  await passReminder(page, before);
  await expect(page.getByRole('heading', { name: `Question ${number}`, exact: true })).toBeVisible();
}

/** Every picture and drawing on the sheets has a size; one that collapsed would be missed without a word. */
export async function picturesShown(page: Page): Promise<void> {
  const sizes = await page
    .locator('main :is(img, svg[viewBox]:not([aria-hidden=true])):visible, main figure svg')
    .evaluateAll((all) =>
      all
        .map((one) => ({ box: one.getBoundingClientRect(), what: one.outerHTML.slice(0, 120) }))
        .filter(({ box }) => box.width < 16 || box.height < 16)
        .map(({ what }) => what),
    );
  expect(sizes).toEqual([]);
}

/** From a question to looking over, by the trail. */
export const lookOver = (page: Page) =>
  page
    .getByRole('navigation')
    .getByRole('button', { name: /Look over/ })
    .click();

/** From a question to the last confirmation before handing in. */
export async function askToHandIn(page: Page): Promise<void> {
  await lookOver(page);
  await page.getByRole('button', { name: 'Hand in …' }).click();
}

/** Presses Next. */
export async function next(page: Page): Promise<void> {
  const before = await heading(page).textContent();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await passReminder(page, before);
  await expect(heading(page)).not.toHaveText(before ?? '');
}
