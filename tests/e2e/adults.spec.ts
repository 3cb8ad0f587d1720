import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { SCHOOL } from '../../src/server/roster/testRoster';
import {
  askToHandIn,
  BENCHMARK,
  EVERY_KIND,
  expect,
  linkTo,
  ready,
  signIn,
  signInByHand,
  test,
  wear,
  WORKSHOP,
} from './app';
import { expectAccessible, expectAccessibleWorn } from './axe';
import { choose } from './lists';

test('a test is given to a student for later, found there, changed, and taken back', async ({
  page,
  ownApp: app,
}) => {
  app.change('DELETE FROM assignments WHERE user_id = (SELECT id FROM users WHERE sign_in_name = ?)', 'wren');
  await signInByHand(page, app, 'petra');
  await page.getByRole('link', { name: 'Give tests' }).click();
  await expect(page.getByRole('heading', { name: 'Give a test' })).toBeVisible();
  await expectAccessible(page, 'giving');
  await page.getByRole('button', { name: 'Give the test' }).click();
  await expect(page.getByText('Choose a test first.')).toBeVisible();
  await choose(page, 'Test', WORKSHOP);
  await choose(page, 'Who takes it', 'Wren Halloran');
  const opens = new Date(Date.now() + 3_600_000).toISOString().slice(0, 16);
  await page.getByLabel('From', { exact: true }).fill(opens);
  await page
    .getByLabel('Until', { exact: true })
    .fill(new Date(Date.now() - 60_000).toISOString().slice(0, 16));
  await expect(page.getByText('“Until” must be after “From”.')).toBeVisible();
  await page.getByLabel('Until', { exact: true }).fill('');
  await page.getByRole('checkbox', { name: 'Has the screen for itself' }).press('Space');
  await page.getByRole('checkbox', { name: 'Questions in another order for each student' }).press('Space');
  await choose(page, 'Tools that nobody has in it', 'Highlighter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Give it to 1 student' }).press('Enter');
  await expect(page.getByText('Given to 1 student.')).toBeVisible();
  await page.getByLabel('Find a student or a test').fill('halloran');
  const row = page.getByRole('row', { name: /Wren Halloran/ });
  await expect(row).toContainText('Mixed order · Has the screen · 1 tool off');

  const student = await page.context().browser()?.newPage();
  if (!student) throw new Error('no browser');
  await signIn(student, app, 'wren');
  await student.goto(`${app.url}/tests`);
  await expect(student.getByText(/^Can be started from/)).toBeVisible();
  await linkTo(student, WORKSHOP).click();
  await expect(student.getByRole('button', { name: /^Start/ })).toBeDisabled();
  await expect(student.getByText('The usual ones, but not: highlighter')).toBeVisible();

  // Given for now instead, it can be started without a page being loaded again.
  await row.getByRole('button', { name: /^Change:/ }).press('Enter');
  await expect(page.getByRole('combobox', { name: 'Test', exact: true })).toBeFocused();
  await page.getByLabel('From', { exact: true }).fill('');
  await page.getByRole('checkbox', { name: 'Has the screen for itself' }).press('Space');
  await page.getByRole('button', { name: 'Give it to 1 student' }).press('Enter');
  await expect(page.getByText(/changed for 1 student/)).toBeVisible();
  await expect(row).toContainText('At any timeMixed order · 1 tool off');
  await expect(student.getByRole('button', { name: /^Start/ })).toBeEnabled();

  await row.getByRole('button', { name: /^Take back:/ }).press('Enter');
  await expect(page.getByText('Nothing is given', { exact: true })).toBeVisible();
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);

  // For practice it stands apart, and nobody has to be there.
  await page.getByRole('radio', { name: 'Practice' }).check();
  await expect(page.getByText('Nobody supervises or marks it', { exact: false })).toBeVisible();
  for (const name of ['Has the screen for itself', 'Begins with your go-ahead', 'Only once you release it'])
    await expect(page.getByRole('checkbox', { name })).toHaveCount(0);
  await page.getByRole('button', { name: 'Give it to 1 student' }).press('Enter');
  await expect(row).toContainText('Practice · Mixed order · 1 tool off');
  await student.goto(`${app.url}/tests`);
  const practice = student.getByRole('region', { name: 'Practice' });
  await expect(practice.getByRole('heading', { name: WORKSHOP, level: 3 })).toBeVisible();
  await expectAccessible(student, 'my tests with practice');
  await linkTo(student, WORKSHOP).click();
  await expect(student.getByText('nobody marks it, and it is in no results', { exact: false })).toBeVisible();
  await student.getByRole('button', { name: /^Start/ }).click();
  await ready(student);
  await expect(student.getByRole('banner')).toContainText('Wren Halloran · practice');
  await askToHandIn(student);
  await student.getByRole('button', { name: 'Hand in now' }).click();
  await expect(student.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await student.close();
  await page.getByRole('link', { name: 'Results' }).click();
  await expect(page.getByRole('link', { name: `Open the results: ${WORKSHOP}` })).toHaveCount(0);
  await page.goto(`${app.url}/desk`);
  await expect(page.getByRole('row', { name: /Bao Reyes/ }).first()).toBeVisible();
  await expect(page.getByRole('row', { name: /Wren Halloran/ })).toHaveCount(0);
});

test('answers are marked by digits, results seen, kept as files and released', async ({
  page,
  classApp: app,
}) => {
  await signInByHand(page, app, 'noor');
  await expect(page.getByRole('heading', { name: 'Mark', exact: true })).toBeVisible();
  await expectAccessible(page, 'the list of what is marked');
  await page.getByRole('link', { name: /^Mark 39 answers: The last line/ }).press('Enter');
  const points = page.getByRole('group', { name: 'Points for this answer' });
  await expect(points.getByRole('radio', { name: '0' })).toBeFocused();
  await expectAccessible(page, 'an answer to mark');
  await expect(page.getByText('39 for you')).toBeVisible();
  for (const given of ['2', '1']) {
    await page.keyboard.press(given);
    await expect(points.getByRole('radio', { name: given })).toBeChecked();
    const here = page.url();
    await page.keyboard.press('Enter');
    await expect.poll(() => page.url()).not.toBe(here);
    await expect(points.getByRole('radio', { name: '0' })).toBeFocused();
  }
  await expect(page.getByText('37 for you')).toBeVisible();
  // Without points nothing is kept.
  await page.getByRole('button', { name: 'Keep and go on' }).press('Enter');
  await expect(page.locator('main').getByRole('alert')).toHaveText('Choose the points first.');
  await page.getByRole('link', { name: 'To all questions' }).press('Enter');
  await expect(page.getByText('39 answers, 2 done')).toBeVisible();
  // What was given is found again, with what it was, and changed.
  await page.getByRole('link', { name: 'Look at your 2 marks again: The last line' }).press('Enter');
  await expect(page.getByText('marked by you')).toBeVisible();
  await expect(points.getByRole('radio', { checked: true })).toHaveCount(1);
  for (let i = 0; i < 2; i += 1) {
    const here = page.url();
    await expect(points.getByRole('radio', { name: '0' })).toBeFocused();
    await page.keyboard.press('0');
    await page.keyboard.press('Enter');
    await expect.poll(() => page.url()).not.toBe(here);
  }
  await expect(page.getByRole('heading', { name: 'All marked' })).toBeVisible();
  expect(app.query('SELECT points FROM marks')).toEqual([
    { points: '{"SCORE":0}' },
    { points: '{"SCORE":0}' },
  ]);

  await page.context().clearCookies();
  await signInByHand(page, app, 'sten');
  await page.getByRole('link', { name: 'Results' }).click();
  await page.getByRole('link', { name: `Open the results: ${BENCHMARK}` }).click();
  await expect(page.getByText('37 still have something to mark.')).toBeVisible();
  // On paper all of them stand, not the page that is on the screen.
  const listed = page.getByRole('region', { name: 'Students' }).getByRole('link', { name: /^Answers: / });
  await expect(listed).toHaveCount(25);
  await page.emulateMedia({ media: 'print' });
  await expect(listed).toHaveCount(40);
  await page.emulateMedia({ media: 'screen' });
  await expect(page.getByRole('img', { name: /^0 points: / })).toBeVisible();
  await expectAccessible(page, 'results of a test');
  await page.getByRole('button', { name: 'What was chosen: Why Wren counts' }).press('Enter');
  const options = page.getByRole('table', { name: 'What was chosen: Why Wren counts' });
  await expect(options.getByRole('row', { name: /habit.*\(right\)/ })).toBeVisible();
  await page.getByLabel('Find a student').fill('fenna quist');
  await expect(page.getByText('1 attempt', { exact: true })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Students (CSV)' }).click();
  const table = readFileSync(await (await download).path(), 'utf8');
  expect(table.split('\r\n')).toHaveLength(42);
  expect(table).toContain('Fenna Quist,fenna.quist,');
  await page.getByRole('button', { name: 'Release 40 results' }).press('Enter');
  await expect(page.getByText('Released to 40 students.')).toBeVisible();
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  await page.getByRole('link', { name: 'Answers: Fenna Quist' }).click();
  await expect(page.getByRole('heading', { name: 'Answers of Fenna Quist' })).toBeVisible();
  await expectAccessible(page, 'answers of a student');
  await page.getByRole('link', { name: 'Back to the results' }).click();
  await expect(page.getByText(/is held back|are held back/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Hold 40 results back again' }).press('Enter');
  await expect(page.getByText('Held back from 40 students again.')).toBeFocused();
  await expect(page.getByText(/^40 results are held back/)).toBeVisible();
});

test('each sees the pages of their own work, and nobody those of others', async ({ page, app }) => {
  await signInByHand(page, app, 'ulla');
  await expect(page.getByRole('heading', { name: 'Supervise' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Pages of the desk' })).toHaveCount(0);
  for (const path of ['/desk/give', '/desk/marking', '/desk/results', '/desk/people']) {
    await page.goto(app.url + path);
    await expect(page).toHaveURL(`${app.url}/desk`);
  }
  await page.context().clearCookies();
  await signIn(page, app, 'wren');
  for (const path of ['/desk', '/desk/give', '/desk/marking/3/reading-5', '/desk/results/3']) {
    await page.goto(app.url + path);
    await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
  }
  await expect(linkTo(page, EVERY_KIND)).toBeVisible();
});

test('a roster is looked at, brought in, and its people sign in with what their slips say', async ({
  page,
  ownApp: app,
}) => {
  const archive = (files: Readonly<Record<string, string>>) => ({
    name: 'skerry.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from(
      zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)]))),
    ),
  });
  const drop = (files: Readonly<Record<string, string>>) =>
    page.locator('input[type=file]').setInputFiles(archive(files));
  await signInByHand(page, app, 'edda');
  await page.getByRole('link', { name: 'People' }).click();
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await page.locator('section[data-ready]').waitFor();
  await expectAccessible(page, 'people');
  await drop({ ...SCHOOL, 'users.csv': (SCHOOL['users.csv'] ?? '').replace('u2,,,true', 'u2,,,perhaps') });
  await expect(
    page.getByRole('heading', { name: 'It cannot be brought in; nothing was changed' }),
  ).toBeFocused();
  await expect(page.getByText(/users\.csv, line 3: /)).toContainText('perhaps');
  // Petra and Wren are here already; Dagny and Ove are not.
  const named = Object.fromEntries(
    Object.entries(SCHOOL).map(([name, text]) => [
      name,
      text
        .replace('wren,Wren,Halloran,kelp-and-tide', 'ove,Ove,Lund,')
        .replace('petra,"Petra\nMaria",Vance', 'dagny,Dagny,Lund'),
    ]),
  );
  await drop(named);
  await expect(page.getByRole('heading', { name: 'This is what it would do' })).toBeFocused();
  await expect(page.getByRole('row', { name: 'People 2 0 0' })).toBeVisible();
  await expectAccessible(page, 'what a roster would do');
  await page.getByRole('button', { name: 'Bring it in' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Brought in' })).toBeFocused();
  await page.getByLabel('Find a name or a class').fill('reading 6');
  await expect(page.getByText('2 people', { exact: true })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Choose Ove Lund' }).press('Space');
  await page.getByRole('button', { name: 'New password for 1 person' }).press('Enter');
  await expect(page.getByRole('heading', { name: '1 sign-in slip' })).toBeFocused();
  await expectAccessible(page, 'slips');
  const slip = page.getByRole('listitem').filter({ hasText: 'Ove Lund' });
  // On paper they are all there is.
  await page.emulateMedia({ media: 'print' });
  const seen = (text: string) =>
    page
      .getByText(text, { exact: true })
      .first()
      .evaluate((one) => getComputedStyle(one).visibility);
  expect([await seen('Ove Lund'), await seen('Edda Brightwater'), await seen('Who is here')]).toEqual([
    'visible',
    'hidden',
    'hidden',
  ]);
  await page.emulateMedia({ media: 'screen' });
  const [name, password] = await slip.locator('dd').allTextContents();
  await page.context().clearCookies();
  await page.goto(`${app.url}/sign-in`);
  await page.getByLabel('Name').fill(name ?? '');
  await page.getByLabel('Password', { exact: true }).fill(password ?? '');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
});

test('the pages of the desk pass axe in every scheme, at 200 per cent, and on a narrow screen', async ({
  page,
  classApp: app,
}) => {
  test.setTimeout(240_000);
  // A handful is enough to look at.
  app.change(
    'UPDATE users SET ended_at = 1 WHERE id IN (SELECT id FROM users WHERE password_hash IS NULL LIMIT 36)',
  );
  await signIn(page, app, 'edda');
  const [one] = app.query<{ id: string; test_id: number; user_id: number }>(
    'SELECT id, test_id, user_id FROM attempts LIMIT 1',
  );
  const pages = {
    supervise: '/desk',
    giving: '/desk/give',
    'what is marked': '/desk/marking',
    'an answer to mark': `/desk/marking/${one?.test_id}/reading-5`,
    results: `/desk/results/${one?.test_id}`,
    library: '/desk/library',
    'a test of the library': `/desk/library/${one?.test_id}`,
    'a question of the library': `/desk/library/${one?.test_id}/reading-1`,
    people: '/desk/people',
    'a person': `/desk/people/${one?.user_id}`,
    'scoring again': `/desk/results/${one?.test_id}/rescore`,
  };
  for (const [name, path] of Object.entries(pages)) {
    await page.goto(app.url + path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessibleWorn(page, name, (scheme) => wear(page, app, 'edda', { scheme }));
    app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', '{"magnification":2}', 'edda');
    await page.goto(app.url + path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.setViewportSize({ width: 640, height: 800 });
    // What is wide scrolls inside itself; the page does not.
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), {
        message: name,
      })
      .toBeLessThanOrEqual(0);
    await page.setViewportSize({ width: 1280, height: 800 });
  }
});
