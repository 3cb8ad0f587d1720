import type { Page } from '@playwright/test';
import { askToHandIn, expect, ready, saved, signIn, test, type App } from './app';
import { expectAccessible } from './axe';

const INSTRUMENTS = 'Skerry Sound instruments';
const frameOf = (page: Page) => page.frameLocator('iframe[sandbox]');

/** Opens the test of somebody else's interactions, tried out by a teacher. */
async function open(page: Page, app: App): Promise<void> {
  await signIn(page, app, 'petra');
  const [test] = app.query<{ id: number }>('SELECT id FROM tests WHERE title = ?', INSTRUMENTS);
  const answer = await page.request.post(`${app.url}/api/tests/${test?.id}/try`, {
    headers: { origin: app.url },
    data: { student: null, scheme: null, magnification: null },
  });
  const { attemptId } = (await answer.json()) as { attemptId: string };
  await page.goto(`${app.url}/attempts/${attemptId}`);
  await ready(page);
}
const level = (page: Page) => frameOf(page).getByRole('slider', { name: 'Level of the gauge' });

test('somebody else’s interaction runs in a frame: by pointer and keys, taken back, begun anew, left and come back to, and scored', async ({
  page,
  ownApp: app,
}) => {
  await open(page, app);
  const low = Number(await level(page).getAttribute('aria-valuenow'));
  expect(low).toBeGreaterThanOrEqual(4);
  await expectAccessible(page, 'a portable custom interaction');
  await frameOf(page).getByRole('button', { name: 'Higher' }).click();
  await level(page).press('ArrowUp');
  await expect(level(page)).toHaveAttribute('aria-valuenow', String(low + 2));
  await saved(page);
  await expect(page.locator('main').getByText('done', { exact: true })).toBeVisible();
  // What is around it changes it too.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(level(page)).toHaveAttribute('aria-valuenow', String(low));
  await frameOf(page).getByRole('button', { name: 'Higher' }).press('Enter');
  await saved(page);
  // Drawn with the pointer, down to the ground and back.
  const box = await level(page).boundingBox();
  if (!box) throw new Error('no gauge');
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height - 5, { steps: 4 });
  await page.mouse.up();
  await expect(level(page)).toHaveAttribute('aria-valuenow', '0');
  await level(page).press('PageUp');
  for (let i = 5; i < low + 1; i += 1) await level(page).press('ArrowUp');
  await saved(page);
  // Keys of the page work in the frame too.
  await level(page).press('Alt+r');
  await expect(page.getByRole('button', { name: /^Line reader/ })).toHaveAttribute('aria-pressed', 'true');
  await level(page).press('Alt+r');
  await page.reload();
  await ready(page);
  await expect(level(page)).toHaveAttribute('aria-valuenow', String(low + 1));

  await page.getByRole('button', { name: /^Next/ }).click();
  for (const flash of ['Long flash', 'Short flash', 'Short flash'])
    await frameOf(page).getByRole('button', { name: flash }).click();
  await expect(frameOf(page).getByRole('listitem')).toHaveCount(3);
  await saved(page);
  await askToHandIn(page);
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Hand in/ })
    .click();
  await expect(page.getByText('1 of 2 points')).toBeVisible();
  // Looked at again it shows what was answered, and takes nothing more.
  await page
    .getByRole('link', { name: /answers/i })
    .first()
    .click();
  await expect(frameOf(page).first().getByRole('slider')).toHaveAttribute('aria-valuenow', String(low + 1));
});

test('a program reaches nothing: not the page, not the network, not another address; one that fails says so kindly', async ({
  page,
  ownApp: app,
}) => {
  const asked: string[] = [];
  page.on('request', async (request) => {
    // What its policy stops never leaves the browser.
    const response = await request.response().catch(() => null);
    if (response || request.failure()?.errorText !== 'csp') asked.push(request.url());
  });
  /** Does everything it must not, and answers with what came of it. */
  const attack = `define(['qtiCustomInteractionContext'], function (context) {
    context.register({ typeIdentifier: 'urn:skerry-sound:tide-gauge', getInstance: function (dom, configuration) {
      var done = [];
      function tries(name, work) { try { work(); done.push(name); } catch (error) { /* as it should be */ } }
      tries('parent', function () { return parent.document.title; });
      tries('storage', function () { return localStorage.length; });
      tries('cookie', function () { return document.cookie; });
      tries('top', function () { top.location.href = 'https://elsewhere.test/top'; });
      tries('eval', function () { return eval('1'); });
      tries('rtc', function () { return new RTCPeerConnection(); });
      tries('rtc of a frame', function () { var inner = document.createElement('iframe'); dom.append(inner); return new inner.contentWindow.RTCPeerConnection(); });
      fetch('/api/my-view').then(function () { done.push('fetch'); }, function () {});
      fetch('https://elsewhere.test/x').then(function () { done.push('fetch elsewhere'); }, function () {});
      new Image().src = 'https://elsewhere.test/image';
      navigator.sendBeacon && tries('beacon', function () { if (navigator.sendBeacon('https://elsewhere.test/b', 'x')) return; throw 0; });
      var link = document.createElement('a'); link.href = 'https://elsewhere.test/link'; link.target = '_blank'; dom.append(link); link.click();
      var said = document.createElement('p'); dom.append(said);
      setTimeout(function () { said.textContent = 'tried: ' + done.join(', '); }, 1500);
      setTimeout(function () { location.href = 'https://elsewhere.test/self'; }, 2500);
      configuration.onready({ getResponse: function () { return { base: { integer: 'not a number' } }; }, getState: function () { return ''; } });
    } });
  });`;
  let program = attack;
  await page.route('**/api/attempts/*/content', async (route) => {
    const response = await route.fetch();
    const text = (await response.text()).replace(
      /("id":"gauge","source":)"(?:[^"\\]|\\.)*"/,
      (_all, before: string) => before + JSON.stringify(program),
    );
    await route.fulfill({ response, body: text });
  });
  const refused = page.waitForEvent(
    'console',
    (message) => /elsewhere\.test\/.*violates/.test(message.text()) && /fram/i.test(message.text()),
  );
  await open(page, app);
  await expect(frameOf(page).getByText(/^tried:/)).toBeVisible();
  expect(
    await frameOf(page)
      .getByText(/^tried:/)
      .textContent(),
  ).toMatch(/^tried: (beacon)?$/);
  // It tries to lead itself away, and the page's policy says no.
  await refused;
  expect(asked.filter((url) => url.includes('elsewhere.test'))).toEqual([]);
  expect(new URL(page.url()).pathname).toMatch(/^\/attempts\//);
  // What it says is no answer.
  expect(app.query("SELECT value FROM responses WHERE value LIKE '%not a number%'")).toEqual([]);

  // One that changes by itself is asked as something is pressed, before that leads away.
  program = `define(['qtiCustomInteractionContext'], function (context) {
    context.register({ typeIdentifier: 'urn:skerry-sound:tide-gauge', getInstance: function (dom, configuration) {
      var said = document.createElement('p'); var n = 0; dom.append(said);
      setInterval(function () { n += 1; said.textContent = 'now ' + n; }, 20);
      configuration.onready({ getResponse: function () { return { base: { integer: n } }; }, getState: function () { return ''; } });
    } });
  });`;
  await page.reload();
  await ready(page);
  const now = frameOf(page).getByText(/^now \d+/);
  await expect(now).toBeVisible();
  const next = page.getByRole('button', { name: /^Next/ });
  const box = await next.boundingBox();
  if (!box) throw new Error('no way on');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  const least = Number((await now.textContent())?.slice(4));
  await page.mouse.down();
  await page.mouse.up();
  await expect(page.getByRole('heading', { name: 'Question 2', exact: true })).toBeVisible();
  const kept = () =>
    app.query<{ value: string }>("SELECT value FROM responses WHERE item = 'gauge-1'")[0]?.value ?? '"0"';
  await expect.poll(() => Number(JSON.parse(kept()))).toBeGreaterThanOrEqual(least);
  await page.getByRole('button', { name: 'Back', exact: true }).click();

  program = `define(['not-there'], function () {});`;
  await page.reload();
  await ready(page);
  await expect(page.getByText('This question cannot be shown here.', { exact: false })).toBeVisible();
  await expectAccessible(page, 'a program that failed');
  // The rest of the test goes on.
  await page.getByRole('button', { name: /^Next/ }).click();
  await frameOf(page).getByRole('button', { name: 'Long flash' }).click();
  await saved(page);
});
