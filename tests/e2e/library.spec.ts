import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { filesAt } from '../../src/server/library/files';
import { choice, CHOICES } from './answers';
import {
  askToHandIn,
  BENCHMARK,
  CROSSING,
  EVERY_KIND,
  expect,
  ready,
  signIn,
  signInByHand,
  test,
} from './app';
import { expectAccessible } from './axe';
import { anotherVersion } from './packages';

test('a package is sent, looked at and brought; its questions are tried and scored, and it is written out again', async ({
  page,
  classApp: app,
}) => {
  test.setTimeout(120_000);
  await signInByHand(page, app, 'edda');
  await page.getByRole('link', { name: 'Library' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
  await expect(page.getByText('6 packages')).toBeVisible();
  await expectAccessible(page, 'library');

  // What is no package is said, and another can be sent at once.
  await page
    .locator('[data-ready] input[type=file]')
    .first()
    .setInputFiles({
      name: 'notes.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from('no zip at all'),
    });
  await expect(page.getByRole('heading', { name: 'It cannot be read as a package' })).toBeFocused();
  await expect(page.getByText('the file is not a zip that can be read')).toBeVisible();
  await page.locator('input[type=file]').first().setInputFiles({
    name: 'benchmark.zip',
    mimeType: 'application/zip',
    buffer: anotherVersion(),
  });
  await expect(page.getByRole('heading', { name: 'This is another version of what is here' })).toBeFocused();
  await expect(page.getByText(/items\/reading-3\.xml, line \d+/).first()).toBeVisible();
  expect(app.query('SELECT count(*) AS count FROM packages')).toEqual([{ count: 6 }]);
  await expectAccessible(page, 'what is in a package');
  await page.getByRole('button', { name: 'Bring it in' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Brought into the library' })).toBeFocused();
  await expect(page.getByText('1 older version')).toBeVisible();
  await expect(page.getByText('6 packages')).toBeVisible();

  // In the new version the key is another.
  await page
    .getByRole('link', { name: `Look at it: ${BENCHMARK}` })
    .first()
    .press('Enter');
  await expect(page.getByRole('heading', { name: BENCHMARK })).toBeVisible();
  await page.getByRole('table').getByRole('link').first().press('Enter');
  const right = page.getByRole('region', { name: 'What is right' });
  await expect(right).toBeVisible();
  await choice(page.getByRole('region', { name: 'The question as students get it' }), CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Score this answer' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'What an answer is worth' })).toBeFocused();
  await expect(page.getByRole('row', { name: 'SCORE 0', exact: true })).toBeVisible();
  await expect(page.getByText('match(RESPONSE, correct RESPONSE)')).toBeVisible();
  await expectAccessible(page, 'a question of the library');
  await choice(page.getByRole('region', { name: 'The question as students get it' }), /impress/).click();
  await expect(page.getByText('This is what the answer before was worth')).toBeVisible();
  await page.getByRole('link', { name: 'To all questions' }).press('Enter');

  // The whole test, with a student's needs, to its end.
  await page.getByRole('button', { name: 'Try it', exact: true }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await ready(page);
  await expect(page.getByText(/Tried out by Edda/)).toBeVisible();
  await choice(page, CHOICES[1][0]).click();
  // Stopped, it is found again.
  await page.getByRole('button', { name: 'Stop for now' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Stop for now' }).click();
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
  await page
    .getByRole('link', { name: `Look at it: ${BENCHMARK}` })
    .first()
    .press('Enter');
  await page.getByRole('link', { name: 'Go on with what you have begun' }).press('Enter');
  await expect(choice(page, CHOICES[1][0]).getByRole('radio')).toBeChecked();
  await askToHandIn(page);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the library' }).press('Enter');

  // Written out again it is the package.
  const [, file] = await Promise.all([
    page.getByRole('link', { name: `Write it out as QTI: ${CROSSING}` }).click(),
    page.waitForEvent('download'),
  ]);
  expect(file.suggestedFilename()).toBe(`${CROSSING}.zip`);
  const written = unzipSync(readFileSync(await file.path()));
  const source = filesAt('content/skerry-sound-crossing');
  expect(Object.keys(written)).toEqual(expect.arrayContaining(['imsmanifest.xml', 'test.xml']));
  expect(Object.keys(written).filter((path) => !source.paths.has(path))).toEqual([]);
});

test('what nobody was given can be deleted, after a second press; what students have cannot', async ({
  page,
  ownApp: app,
}) => {
  app.change('DELETE FROM assignments WHERE test_id IN (SELECT id FROM tests WHERE title = ?)', CROSSING);
  app.change('DELETE FROM practice');
  await signInByHand(page, app, 'petra');
  await page.goto(`${app.url}/desk/library`);
  await expect(page.getByText('6 packages')).toBeVisible();
  // Besides it, what of the demo was given to nobody.
  await expect(page.getByRole('button', { name: /^Delete:/ })).toHaveCount(2);
  await page.getByRole('button', { name: new RegExp(`^Delete: ${CROSSING}`) }).press('Enter');
  await page.getByRole('button', { name: 'Keep it' }).press('Enter');
  await expect(page.locator('body')).not.toBeFocused();
  await page.getByRole('button', { name: new RegExp(`^Delete: ${CROSSING}`) }).press('Enter');
  await page
    .getByRole('button', { name: new RegExp(`^Really delete this version: ${CROSSING}`) })
    .press('Enter');
  await expect(page.getByText(/^The version of .* has been deleted\.$/)).toBeFocused();
  await expect(page.getByText('5 packages')).toBeVisible();
  await page.getByLabel('Find a test').fill('workshop');
  await expect(page.getByText('1 package', { exact: true })).toBeVisible();
});

test('a package is sent through a network that goes away, and one that asks for a check is scored by it', async ({
  page,
  ownApp: app,
}) => {
  await signInByHand(page, app, 'edda');
  await page.goto(`${app.url}/desk/library`);
  let tries = 0;
  await page.route('**/api/library/uploads/*', (route) => {
    tries += 1;
    return tries < 3 ? route.abort() : route.fallback();
  });
  await page.locator('[data-ready] input[type=file]').first().setInputFiles({
    name: 'benchmark.zip',
    mimeType: 'application/zip',
    buffer: anotherVersion(),
  });
  await expect(page.getByText('The network does not answer.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'This is another version of what is here' })).toBeFocused();
  expect(tries).toBe(3);
  // What could not be brought can be once more.
  await page.route('**/read', (route) => route.abort(), { times: 1 });
  await page.getByRole('button', { name: 'Bring it in' }).press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'The network did not answer' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Brought into the library' })).toBeFocused();

  const [kinds] = app.query<{ id: number }>('SELECT id FROM tests WHERE title = ?', EVERY_KIND);
  await page.goto(`${app.url}/desk/library/${kinds?.id}/end-attempt-1`);
  await page
    .getByRole('region', { name: 'The question as students get it' })
    .getByRole('button')
    .first()
    .press('Enter');
  await expect(page.getByRole('heading', { name: 'What an answer is worth' })).toBeFocused();
  await expect(page.getByRole('row', { name: /^SCORE / })).toBeVisible();
});

test('a question is seen as a student sees it: their needs, any colors and size, another drawing', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'edda');
  const idOf = (title: string) =>
    app.query<{ id: number }>('SELECT id FROM tests WHERE title = ?', title)[0]?.id;
  await page.goto(`${app.url}/desk/library/${idOf(BENCHMARK)}/reading-1`);
  await page.getByText('See it as somebody else').press('Enter');
  await page.getByRole('combobox', { name: 'With the needs of' }).fill('Saoirse');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'lantern');
  const size = () => page.evaluate(() => document.documentElement.style.getPropertyValue('--magnification'));
  await expect.poll(size).toBe('2');
  await expect(page.getByRole('combobox', { name: 'With the needs of' })).toBeFocused();
  await page.getByRole('combobox', { name: 'Size' }).press('ArrowDown');
  await page.keyboard.press('Home');
  await page.locator('.ant-select-item-option', { hasText: '100 %' }).click();
  await expect.poll(size).toBe('1');
  await expectAccessible(page, 'a question seen as a student sees it');
  // It goes on like that.
  await page.getByRole('link', { name: 'Next question' }).press('Enter');
  await expect(page).toHaveURL(/reading-2\?student=\d+&size=1/);
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'lantern');

  await page.goto(`${app.url}/desk/library/${idOf('Skerry Sound instruments')}/gauge-1`);
  await expect(page.getByText('Drawing 1 of its numbers.')).toBeVisible();
  const another = page.getByRole('button', { name: 'Another drawing' });
  await another.press('Enter');
  await expect(page.getByText('Drawing 2 of its numbers.')).toBeVisible();
  await expect(another).toBeFocused();
  // Nobody sees with the needs of whom they do not reach.
  const stranger = await page.goto(`${app.url}/desk/library/${idOf(BENCHMARK)}/reading-1?student=999999`);
  expect(stranger?.status()).toBe(404);
});
