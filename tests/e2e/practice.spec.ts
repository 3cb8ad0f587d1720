import { tabTo } from './answers';
import { EVERY_KIND, expect, linkTo, ready, saved, signIn, test, wear, WORKSHOP, type App } from './app';
import { expectAccessible, expectAccessibleWorn } from './axe';

const guests = (app: App) => app.query<{ id: number }>('SELECT id FROM users WHERE guest = 1');

test('practice without an account, by keys: found by grade and subject, taken, and gone when it is ended', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/sign-in`);
  const way = page.getByRole('link', { name: 'Practice without signing in' });
  await tabTo(page, way);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Practice', exact: true })).toBeVisible();
  await expect(page.getByText('nothing is kept', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('status')).toHaveText('3 tests to practice on');
  await expectAccessible(page, 'practice');
  await tabTo(page, page.getByRole('combobox', { name: 'Subject' }));
  await page.keyboard.type('Math');
  await page.keyboard.press('ArrowDown');
  await page.getByTitle('Mathematics').click();
  await expect(page.getByRole('status')).toHaveText('1 test to practice on');
  await tabTo(page, page.getByRole('button', { name: `Practice: ${WORKSHOP}` }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Before you start' })).toBeVisible();
  expect(guests(app)).toHaveLength(1);
  await page.getByRole('button', { name: /Start the test/ }).click();
  await ready(page);
  await expect(page.getByText('Practice · nothing is kept')).toBeVisible();
  await page.getByRole('button', { name: 'Flag', exact: true }).click();
  await saved(page);
  // Stopped part-way it is there still; ended, it is gone from the server and from this computer.
  await page.getByRole('button', { name: 'Stop for now' }).click();
  await page.getByRole('dialog').getByRole('button', { name: /Stop/ }).last().click();
  await page.waitForURL(/\/tests$/);
  await expect(
    linkTo(page, WORKSHOP).or(page.getByRole('link', { name: `Go on: ${WORKSHOP}` })),
  ).toBeVisible();
  await page.getByRole('button', { name: 'End practice' }).click();
  await page.waitForURL(/\/practice$/);
  expect(guests(app)).toHaveLength(0);
  expect(app.query('SELECT 1 FROM attempts')).toHaveLength(0);
  expect(app.query('SELECT 1 FROM events')).toHaveLength(0);
  const left = await page.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name));
  for (const name of left) {
    const rows = await page.evaluate(
      (db) =>
        new Promise<number>((resolve, reject) => {
          const request = indexedDB.open(db ?? '');
          request.onerror = () => reject(new Error(String(request.error)));
          request.onsuccess = () => {
            const names = [...request.result.objectStoreNames];
            if (names.length === 0) return resolve(0);
            const all = names.map(
              (store) =>
                new Promise<number>((done) => {
                  const counting = request.result.transaction(store).objectStore(store).count();
                  counting.onsuccess = () => done(counting.result);
                }),
            );
            return void Promise.all(all).then((found) => resolve(found.reduce((sum, one) => sum + one, 0)));
          };
        }),
      name,
    );
    expect(rows, name).toBe(0);
  }
  await page.goto(`${app.url}/tests`);
  await page.waitForURL(/\/sign-in$/);
});

test('who is signed in is told that practice signs them out; nothing of theirs is touched', async ({
  page,
  app,
}) => {
  await page.request.post(`${app.url}/api/sign-in`, {
    headers: { origin: app.url },
    data: { name: 'wren', password: 'kelp-and-tide' },
  });
  await page.goto(`${app.url}/practice`);
  await expect(page.getByText('You are signed in as Wren Halloran.')).toBeVisible();
  await page.getByRole('button', { name: `Practice: ${EVERY_KIND}` }).click();
  await expect(page.getByRole('heading', { name: 'Before you start' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'End practice' })).toBeVisible();
  expect(app.query("SELECT 1 FROM users WHERE sign_in_name = 'wren'")).toHaveLength(1);
  // Whoever signs in on this computer next finds nothing of it either.
  await page.request.post(`${app.url}/api/sign-in`, {
    headers: { origin: app.url },
    data: { name: 'wren', password: 'kelp-and-tide' },
  });
  expect(guests(app)).toHaveLength(0);
});

test('practice passes axe in every scheme', async ({ page, app }) => {
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/practice`);
  await expect(page.getByRole('button', { name: `Practice: ${WORKSHOP}` })).toBeEnabled();
  await expectAccessibleWorn(page, 'practice', (scheme) => wear(page, app, 'wren', { scheme }));
});
