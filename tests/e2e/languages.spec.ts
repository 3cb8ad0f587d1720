import type { Page } from '@playwright/test';
import { expectAccessible, expectAccessibleInEveryScheme } from './axe';
import {
  EVERY_KIND,
  expect,
  goTo,
  linkTo,
  lookOver,
  PASSWORDS,
  ready,
  saved,
  signIn,
  startTest,
  test,
  type App,
} from './app';
import { numberOf } from './kinds';

/** Says which language a student has chosen, as the switch does. */
const speaks = (app: App, name: keyof typeof PASSWORDS, language: string) =>
  app.change('UPDATE users SET language = ? WHERE sign_in_name = ?', language, name);
const language = (page: Page) => page.evaluate(() => document.documentElement.lang);
/** Nothing runs off the side of the page. */
const fits = (page: Page) =>
  expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1))
    .toBe(true);

test('the language: switched where one signs in, what was typed stays; kept for the person on any computer', async ({
  page,
  app,
  browser,
}) => {
  await page.goto(`${app.url}/sign-in`);
  expect(await language(page)).toBe('en');
  await page.getByLabel('Name').fill('wren');
  const switched = page.getByRole('radio', { name: 'Español' });
  await page.getByRole('radio', { name: 'English' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Iniciar sesión' })).toBeVisible();
  await expect(switched).toBeFocused();
  await expect(page).toHaveTitle('Iniciar sesión · Able Compass');
  expect(await language(page)).toBe('es');
  await expect(page.getByLabel('Nombre')).toHaveValue('wren');
  await expectAccessible(page, 'sign-in in Spanish');
  // As it comes, before any script has run.
  expect(await (await page.request.get(`${app.url}/sign-in`)).text()).toMatch(
    /<html[^>]* lang="es"[^]*Iniciar sesión/,
  );
  await page.getByLabel('Contraseña').fill(PASSWORDS.wren);
  await page.getByRole('button', { name: 'Entrar' }).click();
  await expect(page.getByRole('heading', { name: 'Mis pruebas' })).toBeVisible();
  expect(app.query('SELECT language FROM users WHERE sign_in_name = ?', 'wren')).toEqual([
    { language: null },
  ]);
  await page.getByText('English', { exact: true }).click();
  await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
  await page.getByText('Español', { exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Mis pruebas' })).toBeVisible();
  const elsewhere = await (await browser.newContext({ locale: 'en-US' })).newPage();
  await signIn(elsewhere, app, 'wren');
  await elsewhere.goto(`${app.url}/tests`);
  await expect(elsewhere.getByRole('heading', { name: 'Mis pruebas' })).toBeVisible();
  await elsewhere.context().close();
  // Whoever sits down next has their own.
  await page.getByRole('button', { name: 'Cerrar sesión' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('whoever has chosen nothing is spoken to as their browser asks', async ({ browser, app }) => {
  for (const [locale, heading] of [
    ['es-MX', 'Iniciar sesión'],
    ['en-GB', 'Sign in'],
    ['fi-FI', 'Sign in'],
  ] as const) {
    const page = await (await browser.newContext({ locale })).newPage();
    await page.goto(`${app.url}/sign-in`);
    await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    await page.context().close();
  }
});

test('a test in another language than the page: its words carry theirs, the controls among them the page’s', async ({
  page,
  app,
}) => {
  speaks(app, 'wren', 'es');
  await startTest(page, app, 'wren');
  await expect(page.getByRole('heading', { name: 'Pregunta 1', exact: true })).toBeVisible();
  await expect(page.getByText('Todas las respuestas guardadas')).toBeVisible();
  const spoken = (words: string) =>
    page
      .getByText(words)
      .first()
      .evaluate((one) => one.closest('[lang]')?.getAttribute('lang'));
  expect(await spoken('The last boat to Outer Skerry')).toBe('en');
  expect(await spoken('It is a habit that makes')).toBe('en');
  expect(await spoken('Siguiente')).toBe('es');
  expect(await spoken('Skerry Sound Spring Benchmark')).toBe('en');
  await expectAccessibleInEveryScheme(page, 'a question in Spanish');
  await page.getByRole('radio', { name: /It is a habit/ }).check();
  await expect(page.locator('[data-save=saved]')).toBeVisible();
  // Longer words, half the room.
  await page.setViewportSize({ width: 640, height: 800 });
  await fits(page);
  await page.setViewportSize({ width: 320, height: 800 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page
    .getByRole('button', { name: /Repasar/ })
    .first()
    .click();
  await expect(page.getByText('11 de 12 preguntas no están terminadas.')).toBeVisible();
  await page.getByRole('button', { name: 'Entregar …' }).click();
  await expect(page.getByRole('dialog', { name: '¿Entregar tu prueba?' })).toBeVisible();
  await page.getByRole('button', { name: 'Entregar ahora' }).click();
  await expect(page.getByRole('heading', { name: 'Tu puntuación' })).toBeVisible();
  await expect(page.getByText(/1 de 24 puntos/)).toBeVisible();
  await expectAccessible(page, 'the score in Spanish');
});

test('every question of every kind in Spanish: controls, lessons and read-back are in it, and nothing is without words', async ({
  page,
  app,
}) => {
  test.setTimeout(180_000);
  speaks(app, 'wren', 'es');
  const problems: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error' && /MISSING_MESSAGE|FORMATTING_ERROR|INVALID/.test(message.text()))
      problems.push(message.text());
  });
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  const next = page.getByRole('button', { name: 'Siguiente', exact: true });
  for (let number = 1; number < 57; number += 1) {
    await expect(page.getByRole('heading', { name: `Pregunta ${number}`, exact: true })).toBeVisible();
    await fits(page);
    await next.click();
    const goOn = page.getByRole('button', { name: 'Seguir de todos modos' });
    const after = page.getByRole('heading', { name: `Pregunta ${number + 1}`, exact: true });
    await expect(goOn.or(after).first()).toBeVisible();
    if (await goOn.isVisible()) await goOn.click();
  }
  await page.getByRole('button', { name: 'Cómo responder' }).click();
  await expect(page.getByRole('dialog', { name: 'Cómo responder' })).toBeVisible();
  expect(problems).toEqual([]);
});

test('right to left: the page turns around, graphs do not, and every part of it still answers', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await page.evaluate(() => {
    document.documentElement.dir = 'rtl';
  });
  const place = async (selector: string) => (await page.locator(selector).first().boundingBox())?.x ?? NaN;
  expect(await place('nav[aria-label="Question trail"]')).toBeGreaterThan(
    await place('[data-sheet=question]'),
  );
  expect(await place('aside[aria-label=Tools], [role=complementary]')).toBeLessThan(
    await place('[data-sheet=question]'),
  );
  await fits(page);
  await page.getByRole('radio', { name: '10 times' }).check();
  await goTo(page, numberOf('number-line-1'));
  // What points on points the way the text runs.
  const next = page.getByRole('button', { name: 'Next', exact: true }).locator('svg');
  expect(await next.evaluate((arrow) => getComputedStyle(arrow).scale)).toBe('-1 1');
  const line = page.getByRole('slider').first();
  await page.getByLabel('Type a value').fill('1');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  const before = (await line.boundingBox())?.x ?? NaN;
  await line.press('ArrowRight');
  await expect.poll(async () => (await line.boundingBox())?.x ?? NaN).toBeGreaterThan(before);
  await saved(page);
  for (const width of [640, 320]) {
    await page.setViewportSize({ width, height: 800 });
    await fits(page);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${app.url}/tests`);
  await page.evaluate(() => {
    document.documentElement.dir = 'rtl';
  });
  await expect(linkTo(page, 'Skerry Sound Spring Benchmark, grade 6')).toBeVisible();
  await fits(page);
});

test('maths in a language with a comma before the tenths: typed, pressed, shown, said and kept as one number', async ({
  page,
  app,
}) => {
  // The same questions, as if they were written in German.
  await page.route('**/api/attempts/*/content', async (route) => {
    const response = await route.fetch();
    const content = (await response.json()) as { test: { items: Record<string, { language: string }> } };
    for (const item of Object.values(content.test.items)) item.language = 'de';
    await route.fulfill({ response, json: content });
  });
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goTo(page, numberOf('equation-1'));
  const latex = () =>
    page.locator('math-field').evaluate((field) => (field as unknown as { value: string }).value);
  const keeps = (value: string) =>
    expect
      .poll(() => app.query<{ value: string }>("SELECT value FROM responses WHERE item = 'equation-1'"))
      .toEqual([{ value: JSON.stringify(value) }]);
  await page.locator('math-field').click();
  await page.keyboard.type('2,5', { delay: 60 });
  await keeps('2.5');
  expect(await latex()).toBe('2{,}5');
  // The key of the keypad is the one of the language.
  const keypad = page.getByRole('group', { name: 'Keypad' });
  await page.keyboard.type('+0', { delay: 60 });
  await keypad.getByRole('button', { name: 'decimal comma' }).click();
  await keypad.getByRole('button', { name: '7', exact: true }).click();
  await keeps('2.5+0.7');
  expect(await latex()).toBe('2{,}5+0{,}7');
  // As text it is the same, and whatever is typed there.
  await page.getByRole('button', { name: 'Type it as text instead' }).click();
  const typed = page.getByRole('textbox', { name: /typed/i });
  await expect(typed).toHaveValue('2,5 + 0,7');
  await typed.fill('1,25');
  await keeps('1.25');
  await page.reload();
  await ready(page);
  await expect(typed).toHaveValue('1,25');
  await page.getByRole('button', { name: 'Write it with the keypad instead' }).click();
  await expect.poll(latex).toBe('1{,}25');
  await lookOver(page);
  await expect(page.locator(`[data-review-row="${numberOf('equation-1')}"]`)).toContainText('1,25');
});
