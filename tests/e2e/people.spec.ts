import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { choice, CHOICES } from './answers';
import { BENCHMARK, expect, signIn, signInByHand, startTest, saved, test, type App } from './app';
import { expectAccessible } from './axe';
import { choose } from './lists';
import { bringAnotherVersion } from './packages';

const idOf = (app: App, name: string) =>
  app.query<{ id: number }>('SELECT id FROM users WHERE sign_in_name = ?', name)[0]?.id ?? 0;

const needsIn = (app: App, name: string) =>
  JSON.parse(
    app.query<{ needs: string }>('SELECT needs FROM users WHERE sign_in_name = ?', name)[0]?.needs ?? '{}',
  ) as object;

/** Another person's browser. */
async function elsewhere(page: Page): Promise<Page> {
  const browser = page.context().browser();
  if (!browser) throw new Error('no browser');
  return browser.newPage({ locale: 'en-US' });
}
test('a teacher sets a student’s needs by hand and from a file; the test begins with them', async ({
  page,
  ownApp: app,
}) => {
  await signInByHand(page, app, 'petra');
  await page.getByRole('link', { name: 'Give tests' }).click();
  await choose(page, 'Student', 'Wren Halloran');
  await page.getByRole('link', { name: 'Open the needs' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Wren Halloran' })).toBeVisible();
  await expectAccessible(page, 'needs of a student');
  // A teacher sees nothing of who is signed in where, and erases nobody.
  await expect(page.getByRole('heading', { name: 'Signed in' })).toHaveCount(0);
  await choose(page, 'Colors', 'Yellow on black');
  await choose(page, 'Tools on from the start', 'Line reader');
  await page.getByRole('button', { name: 'Keep these needs' }).press('Enter');
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  expect(needsIn(app, 'wren')).toMatchObject({ scheme: 'lantern', toolsOn: ['line-reader'] });

  const student = await elsewhere(page);
  await startTest(student, app, 'wren');
  await expect(student.locator('html')).toHaveAttribute('data-scheme', 'lantern');
  await expect(student.getByRole('button', { name: /^Line reader/ })).toHaveAttribute('aria-pressed', 'true');
  await student.context().close();

  // A file is put into the fields, says what of it is not ours, and counts once it is kept.
  const file = (text: string) => ({
    name: 'wren.xml',
    mimeType: 'application/xml',
    buffer: Buffer.from(text),
  });
  const chooser = page.locator('input[type=file]');
  await chooser.setInputFiles(file('<profile/>'));
  await expect(page.getByRole('alert').filter({ hasText: 'is no profile of needs' })).toBeVisible();
  await chooser.setInputFiles(
    file(
      `<access-for-all-pnp xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imsafa3p0pnp_v1p0"><additional-testing-time><time-multiplier>1.5</time-multiplier></additional-testing-time><braille><braille-grade>2</braille-grade></braille></access-for-all-pnp>`,
    ),
  );
  await expect(page.getByText('wren.xml has been put into the fields below.')).toBeVisible();
  await expect(page.getByText('braille/braille-grade (2)')).toBeVisible();
  await page.getByRole('button', { name: 'Keep these needs' }).press('Enter');
  await expect.poll(() => needsIn(app, 'wren')).toMatchObject({ timeMultiplier: 1.5, toolsOn: [] });
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Get these needs as XML' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain(
    '<time-multiplier>1.5</time-multiplier>',
  );
});

test('a slip for the first time only: nothing is reached before a password of one’s own is chosen', async ({
  page,
  ownApp: app,
}) => {
  await signInByHand(page, app, 'edda');
  await page.getByRole('link', { name: 'People' }).click();
  await page.getByLabel('Find a name or a class').fill('Bao Reyes');
  await page.getByRole('checkbox', { name: 'Choose Bao Reyes' }).press('Space');
  await page.getByRole('checkbox', { name: 'They choose a password of their own' }).press('Space');
  await page.getByRole('button', { name: 'New password for 1 person' }).press('Enter');
  await expect(page.getByRole('heading', { name: '1 sign-in slip' })).toBeFocused();
  const slip = page.getByRole('listitem').filter({ hasText: 'Bao Reyes' });
  const [name = '', password = ''] = await slip.locator('dd').allTextContents();

  const student = await elsewhere(page);
  await student.goto(`${app.url}/sign-in`);
  await student.getByLabel('Name').fill(name);
  await student.getByLabel('Password', { exact: true }).fill(password);
  await student.getByRole('button', { name: 'Sign in' }).click();
  await expect(student.getByRole('heading', { name: 'Choose a password' })).toBeVisible();
  await expectAccessible(student, 'choosing a password');
  await student.goto(`${app.url}/tests`);
  await expect(student.getByRole('heading', { name: 'Choose a password' })).toBeVisible();
  const begun = await student.request.post(`${app.url}/api/assignments/1/begin`, {
    headers: { origin: app.url },
    data: {},
  });
  expect(begun.status()).toBe(403);

  const send = async (current: string, chosen: string) => {
    await student.getByLabel('Password on your slip').fill(current);
    await student.getByLabel('New password').fill(chosen);
    await student.getByRole('button', { name: 'Keep this password' }).press('Enter');
  };
  await send(password, 'tide');
  await expect(student.getByText('It needs at least 8 letters or signs.')).toBeVisible();
  await send('not that one', 'gulls over the pier');
  await expect(student.getByText('The password you have now was not right.')).toBeVisible();
  await send(password, 'gulls over the pier');
  await expect(student.getByText('Your password has been changed.')).toBeFocused();
  await student.getByRole('link', { name: 'Go on' }).press('Enter');
  await expect(student.getByRole('heading', { name: 'My tests' })).toBeVisible();
  await student.getByRole('link', { name: 'Password' }).click();
  await expect(student.getByRole('heading', { name: 'Your password' })).toBeVisible();
  await student.context().close();
});

test('a person’s data is handed out whole, and erased once what goes and what stays has been read', async ({
  page,
  ownApp: app,
}) => {
  const student = await elsewhere(page);
  await startTest(student, app, 'bao');
  await choice(student, CHOICES[1][0]).click();
  await saved(student);
  await signInByHand(page, app, 'edda');
  await page.goto(`${app.url}/desk/people/${idOf(app, 'bao')}`);
  await expect(page.getByText('In one place')).toBeVisible();
  await expectAccessible(page, 'a person');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Hand out the data (zip)' }).click();
  const files = unzipSync(readFileSync(await (await download).path()));
  expect(Object.keys(files)).toContain('person.json');

  await page.getByRole('button', { name: 'Erase this person …' }).press('Enter');
  await expect(page.getByText('has to be handed in or ended first')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Erase this person …' })).toBeFocused();
  await student.getByRole('button', { name: 'Stop for now' }).click();
  await student.getByRole('dialog').getByRole('button', { name: /^Stop/ }).click();
  await expect(student.getByRole('heading', { name: 'My tests' })).toBeVisible();

  await page.reload();
  await page.getByRole('button', { name: 'Erase this person …' }).press('Enter');
  await expect(page.getByText('1 attempt with all its answers and results')).toBeVisible();
  await expectAccessible(page, 'erasing a person');
  await page.getByRole('button', { name: 'Erase for good' }).press('Enter');
  await expect(page.getByText('Please say why.')).toBeVisible();
  await expect(page.getByText('Please look at what is gone, and say that you have.')).toBeVisible();
  await page.getByLabel('Why').fill('asked for by the family');
  await page.getByRole('checkbox', { name: /I have looked/ }).press('Space');
  await page.getByRole('button', { name: 'Erase for good' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Open: Bao Reyes' })).toHaveCount(0);
  expect(app.query('SELECT id FROM users WHERE sign_in_name = ?', 'bao')).toEqual([]);
  await student.goto(`${app.url}/tests`);
  await expect(student).toHaveURL(/sign-in/);
  await student.context().close();
});

test('a wrong key is corrected: what would change is seen before it is done, and the results say by whose decision', async ({
  page,
  classApp: app,
}) => {
  bringAnotherVersion(app);
  await signIn(page, app, 'sten');
  await page.goto(`${app.url}/desk/results`);
  await page.getByRole('link', { name: `Open the results: ${BENCHMARK}` }).press('Enter');
  await expect(page.getByText('Scored by the keys of its own version.')).toBeVisible();
  await page.getByRole('link', { name: 'Score again by another version' }).press('Enter');
  await page.getByRole('link', { name: 'Show what would change' }).press('Enter');
  const difference = page.getByRole('region', { name: 'What would change' });
  await expect(difference.getByRole('status').first()).toHaveText(/^\d+ attempts change of 40\.$/);
  await expect(difference.getByRole('row', { name: /Why Wren counts/ })).toBeVisible();
  await expectAccessible(page, 'what scoring again would change');
  const before = app.query('SELECT points FROM test_results ORDER BY attempt_id');
  await page.getByRole('button', { name: 'Score 40 attempts again' }).press('Enter');
  await expect(page.getByText('Please say why.')).toBeVisible();
  expect(app.query('SELECT points FROM test_results ORDER BY attempt_id')).toEqual(before);
  await page.getByLabel('Why').fill('A is right: the passage says so');
  await page.getByRole('button', { name: 'Score 40 attempts again' }).press('Enter');
  await expect(page.getByText(/by Sten Aldous: A is right: the passage says so/)).toBeVisible();
  expect(app.query('SELECT points FROM test_results ORDER BY attempt_id')).not.toEqual(before);
  // The option that is right now is told so among what was chosen.
  await page.getByRole('button', { name: 'What was chosen: Why Wren counts' }).press('Enter');
  const options = page.getByRole('table', { name: 'What was chosen: Why Wren counts' });
  await expect(options.getByRole('row', { name: /habit/ })).not.toContainText('(right)');
});
