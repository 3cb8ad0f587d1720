import type { Page } from '@playwright/test';
import { expectAccessible, expectLegible, expectLegibleInEveryScheme } from './axe';
import { CROSSING, EVERY_KIND, expect, goTo, ready, saved, signIn, startTest, test } from './app';
import { numberOf, openKind } from './kinds';

const boxOf = async (page: Page, selector: string) => {
  const box = await page.locator(selector).first().boundingBox();
  if (!box) throw new Error(`${selector} is not on the screen`);
  return box;
};
/** 1280 × 800 and 1024 pixels' height as they are left at 200 and at 400 per cent (WCAG 2.2 §1.4.10). */
const LARGE = [
  { zoom: 200, width: 640, height: 400, share: 0.7 },
  { zoom: 400, width: 320, height: 256, share: 0.6 },
] as const;

for (const { zoom, width, height, share } of LARGE)
  test(`at ${zoom} per cent the content has the screen, a press turns between passage and question`, async ({
    page,
    app,
  }) => {
    await page.setViewportSize({ width, height });
    await startTest(page, app);
    await ready(page);
    const passage = page.locator('[data-sheet=passage]');
    const question = page.locator('[data-sheet=question]');
    expect((height - (await boxOf(page, '[data-sheet=passage]')).y) / height).toBeGreaterThanOrEqual(share);
    // Nothing is wider than the screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    const scroller = page.locator('[data-layout]');
    const top = () => scroller.evaluate((one) => one.scrollTop);
    await scroller.evaluate((one) => {
      one.scrollTop = 300;
    });
    const turn = (to: string) => page.locator('[data-sheet]').getByRole('button', { name: to, exact: true });
    await turn('Question').evaluate((one: HTMLElement) => one.click());
    await expect(question.getByRole('heading', { name: 'Question 1', exact: true })).toBeFocused();
    await expect(passage).toHaveCount(0);
    expect((height - (await boxOf(page, '[data-sheet=question]')).y) / height).toBeGreaterThanOrEqual(share);
    // The title row is one line.
    expect((await boxOf(page, '[data-sheet=question] header')).height).toBeLessThan(62);
    await expectAccessible(page, `question at ${zoom} per cent`);
    await turn('Passage').click();
    await expect(passage).toBeVisible();
    await expect.poll(top).toBe(300);
    await expectAccessible(page, `passage at ${zoom} per cent`);
    await scroller.evaluate((one) => {
      one.scrollTop = 0;
    });
    await page.getByRole('button', { name: /^Menu/ }).click();
    await expect(page.getByRole('button', { name: 'Stop for now' })).toBeVisible();
    await page.getByRole('button', { name: 'Question 1 of 12' }).click();
    await page.getByRole('button', { name: /Look over/ }).click();
    // Choices below the edge were never seen: the gentle stop leads to them, also from the passage.
    await page.getByRole('button', { name: 'Show me' }).click();
    await expect(question.getByRole('radio').first()).toBeInViewport();
    await page.getByRole('button', { name: 'Question 1 of 12' }).click();
    await page.getByRole('button', { name: /Look over/ }).click();
    await expect(page.getByRole('heading', { name: 'Look over your answers' })).toBeVisible();
  });

test('at 400 per cent without a network the sign of it covers nothing', async ({ page, app }) => {
  await page.setViewportSize({ width: 320, height: 256 });
  await startTest(page, app);
  await ready(page);
  await page.locator('[data-sheet]').getByRole('button', { name: 'Question', exact: true }).click();
  await page.context().setOffline(true);
  await page.locator('main label').first().click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await page.locator('[data-layout]').evaluate((one) => {
    one.scrollTop = 0;
  });
  // A control that something lies on cannot be pressed: each opens and closes what is under the line.
  for (const name of ['Menu', 'Question 1 of 12', 'Tools']) {
    const control = page.getByRole('button', { name, exact: true });
    for (const open of ['true', 'false']) {
      await control.click();
      await expect(control).toHaveAttribute('aria-expanded', open);
    }
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await page.context().setOffline(false);
  await saved(page);
});

test('the answers page has the passage beside where there is room, above at 200 per cent', async ({
  page,
  app,
}) => {
  for (const [name, beside] of [
    ['wren', true],
    ['saoirse', false],
  ] as const) {
    await page.context().clearCookies();
    await page.setViewportSize({ width: 1280, height: 800 });
    await startTest(page, app, name);
    await ready(page);
    if (!beside) {
      await page.locator('[data-sheet]').getByRole('button', { name: 'Question', exact: true }).click();
      await page.getByRole('button', { name: 'Question 1 of 12' }).click();
    }
    await page.getByRole('button', { name: /Look over/ }).click();
    const goOn = page.getByRole('button', { name: 'Go on anyway' });
    await page.getByRole('button', { name: 'Hand in …' }).or(goOn).first().waitFor();
    if (await goOn.isVisible()) await goOn.click();
    await page.getByRole('button', { name: 'Hand in …' }).click();
    await page.getByRole('button', { name: 'Hand in now' }).click();
    await page.waitForURL(/score/);
    await page.getByRole('link', { name: /See my answers/ }).click();
    const passage = await boxOf(page, '[data-passage]');
    const answer = await boxOf(page, 'fieldset.able-closed');
    expect(answer.x > passage.x + passage.width).toBe(beside);
    expect(answer.y > passage.y + 200).toBe(!beside);
  }
});

test('title rows and the foot are one line where two sheets stand beside one another', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await ready(page);
  for (const [width, height] of [
    [1366, 768],
    [853, 533],
  ] as const) {
    await page.setViewportSize({ width, height });
    const heights = () =>
      page
        .locator('[data-sheet] > header, [data-sheet] > footer')
        .evaluateAll((rows) => rows.map((row) => row.getBoundingClientRect().height));
    await expect.poll(async () => Math.max(...(await heights()))).toBeLessThan(70);
    for (const sheet of ['passage', 'question']) {
      const whole = await boxOf(page, `[data-sheet=${sheet}]`);
      const content = await boxOf(page, `[data-sheet=${sheet}] [role=region]`);
      expect(content.height / whole.height).toBeGreaterThanOrEqual(0.5);
    }
  }
});

test('what decides an answer stands beside the graph, above the fold; fractions are as large as words', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openKind(page, app, 'coordinate-plane-2');
  const field = page.locator('main').getByLabel('Type a point');
  for (const point of ['0, 0', '4, 0', '4, 3']) {
    await field.fill(point);
    await page.keyboard.press('Enter');
  }
  await page.locator('main').getByRole('button', { name: 'Close the shape' }).click();
  const region = await boxOf(page, '[data-sheet=question] [role=region]');
  const graph = await boxOf(page, '[data-plane]');
  for (const beside of ['[data-figure=polygon]', '[data-operate]']) {
    const box = await boxOf(page, beside);
    expect(box.x).toBeGreaterThanOrEqual(graph.x + graph.width);
    expect(box.y + box.height).toBeLessThanOrEqual(region.y + region.height);
  }
});
test('digits of a fraction are at least 85 per cent of the words around it', async ({ page, app }) => {
  await startTest(page, app);
  await ready(page);
  await goTo(page, 7);
  const sizes = await page
    .locator('main mfrac mn')
    .evaluateAll((digits) => digits.map((one) => parseFloat(getComputedStyle(one).fontSize)));
  const words = await page
    .locator('[data-sheet=question] p')
    .first()
    .evaluate((one) => parseFloat(getComputedStyle(one).fontSize));
  expect(sizes.length).toBeGreaterThan(0);
  expect(Math.min(...sizes) / words).toBeGreaterThanOrEqual(0.85);
});

/** A color of the system as the browser computes it. */
const systemColor = (page: Page, color: string) =>
  page.evaluate((name) => {
    const probe = document.createElement('i');
    probe.style.backgroundColor = name;
    document.body.append(probe);
    const { backgroundColor } = getComputedStyle(probe);
    probe.remove();
    return backgroundColor;
  }, color);

test.describe('in the contrast colors of the system', () => {
  test.use({ forcedColors: 'active' });
  test('what is chosen, on, done or here is told still, in the system’s colors', async ({ page, app }) => {
    await startTest(page, app, 'wren', EVERY_KIND);
    await ready(page);
    const filled = (selector: string) =>
      page
        .locator(selector)
        .first()
        .evaluate((one) => getComputedStyle(one).backgroundColor);
    const [highlight, canvas] = [await systemColor(page, 'Highlight'), await systemColor(page, 'Canvas')];
    expect(highlight).not.toBe(canvas);
    expect(await filled('[data-sheet=question]')).toBe(canvas);
    await goTo(page, numberOf('choice-1'));
    await page.locator('main label').first().click();
    expect(await filled('[data-chosen] [data-choice-mark]')).toBe(highlight);
    expect(await filled('li:not([data-chosen]) > label [data-choice-mark]')).toBe(canvas);
    await goTo(page, numberOf('cell-grid-2'));
    await page.locator('[data-cell=r1c1]').click();
    expect(await filled('[data-cell=r1c1]')).toBe(highlight);
    expect(await filled('[data-cell=r1c2]')).toBe(canvas);
    await goTo(page, numberOf('number-line-2'));
    const axis = page.locator('[data-line] svg line').first();
    expect(await axis.evaluate((one) => getComputedStyle(one).stroke)).not.toBe(canvas);
    const stop = (standing: string) => `nav [data-standing=${standing}]`;
    expect(await filled(stop('done'))).toBe(highlight);
    expect(await filled(stop('not-opened'))).toBe(canvas);
  });
  test('around a test too: the language, the page, and what is chosen of several', async ({ page, app }) => {
    await signIn(page, app, 'petra');
    await page.goto(`${app.url}/desk/give`);
    await expect(page.getByRole('radio', { name: 'Español' })).toBeEnabled();
    const [highlight, canvas] = [await systemColor(page, 'Highlight'), await systemColor(page, 'Canvas')];
    const chosen = (name: string, pseudo?: string) =>
      page
        .getByRole('radio', { name, exact: true })
        .evaluate(
          (input, part) =>
            getComputedStyle((part ? input.parentElement : input.closest('label')) ?? input, part)
              .backgroundColor,
          pseudo,
        );
    expect(await chosen('English')).toBe(highlight);
    expect(await chosen('Español')).toBe(canvas);
    expect(await chosen('For real', '::after')).toBe(highlight);
    await page.getByRole('radio', { name: 'Practice' }).check();
    expect(await chosen('Practice', '::after')).toBe(highlight);
    expect(await chosen('For real', '::after')).not.toBe(highlight);
    const under = (name: string) =>
      page
        .getByRole('navigation')
        .getByRole('link', { name })
        .evaluate((one) => getComputedStyle(one).borderBottomColor);
    expect(await under('Give tests')).not.toBe(canvas);
    expect(await under('Results')).toBe(canvas);
  });
});

const looksOf = (one: Element) => {
  const { outlineStyle, outlineWidth, boxShadow, borderTopColor, backgroundColor } = getComputedStyle(one);
  return { outlineStyle, outlineWidth, boxShadow, borderTopColor, backgroundColor };
};

test('what is pointed at or has the focus stays at 7:1 in every scheme', async ({ page, app }) => {
  test.setTimeout(180_000);
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  const browser = await page.context().newCDPSession(page);
  await browser.send('DOM.enable');
  await browser.send('CSS.enable');
  /** What has gone since it was found (a question that is drawn ahead is drawn anew) is pointed at by nobody. */
  const force = (nodeId: number, forcedPseudoClasses: string[]) =>
    browser.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses }).catch((error: unknown) => {
      if (!String(error).includes('Could not find node')) throw error;
    });
  for (const item of ['choice-2', 'gap-match-1', 'equation-1', 'coordinate-plane-2', 'end-attempt-1']) {
    await goTo(page, numberOf(item));
    // All at once: the browser is told to draw each as if it were pointed at, and as if it had the focus.
    const { root } = await browser.send('DOM.getDocument', { depth: 0 });
    const { nodeIds } = await browser.send('DOM.querySelectorAll', {
      nodeId: root.nodeId,
      selector: ':is(button, [role=button], label, summary)',
    });
    expect(nodeIds.length).toBeGreaterThan(15);
    for (const state of ['hover', 'focus-visible'] as const) {
      const plain = await page.locator('[data-sheet=question] label, main button').first().evaluate(looksOf);
      for (const nodeId of nodeIds) await force(nodeId, [state]);
      await expectLegibleInEveryScheme(page, `${item}: ${state}`);
      if (state === 'focus-visible' && item === 'choice-2')
        expect(await page.locator('main button').first().evaluate(looksOf), 'the state is drawn').not.toEqual(
          plain,
        );
    }
    for (const nodeId of nodeIds) await force(nodeId, []);
  }
});

/** Whatever can be pressed and is smaller than 44 by 44 pixels; a control inside a label is as large as the label. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const controls = document.querySelectorAll<HTMLElement>(
      'button, [role=button], [role=radio], [role=checkbox], [role=option], [role=slider], [role=gridcell], input, select, summary, a[href]',
    );
    return [...controls].flatMap((one) => {
      const box = one.getBoundingClientRect();
      const shown = box.width > 0 && box.height > 0 && !one.closest('.visually-hidden');
      const label = (one.closest('label') ?? one).getBoundingClientRect();
      const size = [Math.max(box.width, label.width), Math.max(box.height, label.height)].map(Math.round);
      const small = shown && !one.matches('[class*=skip]') && size.some((side) => side < 44);
      return small ? [`${one.getAttribute('aria-label') ?? one.textContent}: ${size.join(' × ')}`] : [];
    });
  });

test('everything that is pressed is 44 pixels or more, on a large screen and on a phone', async ({
  page,
  app,
}) => {
  test.setTimeout(180_000);
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  for (let number = 1; number <= 57; number += 1) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await goTo(page, number);
    await expect.poll(() => tooSmall(page), { message: `question ${number} at 1280` }).toEqual([]);
    await page.setViewportSize({ width: 390, height: 800 });
    await expect.poll(() => tooSmall(page), { message: `question ${number} at 390` }).toEqual([]);
  }
});

test('pictures are toned in dark schemes and can be turned around; light ones show them as they are', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'hotspot-1');
  const filter = () => page.locator('[data-stage] img').evaluate((one) => getComputedStyle(one).filter);
  expect(await filter()).toBe('none');
  await page.getByRole('button', { name: 'Colors' }).click();
  await page.getByRole('radio', { name: /Light on dark green/ }).check();
  await expect.poll(filter).toBe('brightness(0.8)');
  await page.getByRole('checkbox', { name: 'Turn the colors of pictures around' }).check();
  await expect.poll(filter).toBe('invert(1) hue-rotate(180deg)');
  await saved(page);
  await page.reload();
  await ready(page);
  await expect.poll(filter).toBe('invert(1) hue-rotate(180deg)');
});

test('who asks for more contrast gets it in edges and second voices', async ({ page, app }) => {
  await startTest(page, app);
  const colors = () =>
    page
      .locator('[data-sheet=question] [data-choices] label')
      .first()
      .evaluate((one) => {
        const shown = getComputedStyle(one.closest('li') ?? one);
        return [shown.borderTopColor === getComputedStyle(one).color, getComputedStyle(one).color];
      });
  const soft = () => page.locator('[data-progress]').evaluate((one) => getComputedStyle(one).color);
  const before = await soft();
  await page.emulateMedia({ contrast: 'more' });
  expect(await soft()).not.toBe(before);
  expect((await colors())[0]).toBe(true);
  await expectAccessible(page, 'question with more contrast');
});

test('on paper the whole passage and the whole question stand, without what is only for pressing', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.emulateMedia({ media: 'print' });
  for (const sheet of ['passage', 'question']) {
    const scroller = page.locator(`[data-sheet=${sheet}] [role=region]`);
    const hidden = await scroller.evaluate((one) => one.scrollHeight - one.clientHeight);
    expect(hidden, sheet).toBeLessThanOrEqual(1);
  }
  const [passage, question] = [
    await boxOf(page, '[data-sheet=passage]'),
    await boxOf(page, '[data-sheet=question]'),
  ];
  expect(question.y).toBeGreaterThanOrEqual(passage.y + passage.height);
  for (const name of ['Next', 'Flag', 'Undo', 'Show the passage alone', /^Enlarge/])
    await expect(page.getByRole('button', { name }).first()).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Question trail' })).toBeHidden();
});

test('mixed numbers under a number line do not lie on one another, nor on their own fraction', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'number-line-3');
  const over = await page.locator('[data-line] svg').evaluate((svg) => {
    const boxes = [...svg.querySelectorAll('text')].map((one) => one.getBoundingClientRect());
    return boxes.flatMap((a, i) =>
      boxes.slice(i + 1).filter((b) => {
        const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
        const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
        // The boxes of letters are taller than what is drawn in them.
        return across > 1 && down > a.height / 2;
      }),
    ).length;
  });
  expect(over).toBe(0);
});

test('a question in the style of its package: its frame, its letters, and every color at 7:1 in whatever scheme', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'edda');
  const [crossing] = app.query<{ id: number }>('SELECT id FROM tests WHERE title = ?', CROSSING);
  await page.goto(`${app.url}/desk/library/${crossing?.id}/log-1`);
  const log = page.getByRole('region', { name: 'A question' }).locator('blockquote.log-page');
  const worn = () =>
    log.evaluate((sheet) => {
      const hour = sheet.querySelector('.hour');
      const [frame, letters] = [getComputedStyle(sheet), hour && getComputedStyle(hour)];
      return {
        edge: frame.borderInlineStartWidth,
        ground: frame.backgroundColor,
        caps: letters?.fontVariantCaps,
        ink: letters?.color,
      };
    });
  await expect(log).toBeVisible();
  // The drawing stands at the right of the words it comes with, and the page of the log begins below it.
  const drawing = await boxOf(page, '[data-frame]:has([aria-label="A rock with a gull on it"])');
  const words = await page
    .locator('p', { hasText: 'Every evening the skipper writes' })
    .first()
    .evaluate((text) => {
      const range = document.createRange();
      range.selectNode([...text.childNodes].findLast((node) => node instanceof Text) ?? text);
      const { right, top } = range.getBoundingClientRect();
      return { right, top };
    });
  expect(words.right).toBeLessThanOrEqual(drawing.x);
  expect(words.top).toBeLessThan(drawing.y + drawing.height);
  expect((await log.boundingBox())?.y).toBeGreaterThanOrEqual(drawing.y + drawing.height);
  const paper = await worn();
  expect(paper).toMatchObject({ edge: '3px', caps: 'small-caps' });
  await expectAccessible(page, 'a question with a style sheet');
  // Its colors are made from those of whoever looks.
  const grounds = [paper.ground];
  for (const scheme of ['mist', 'night', 'lantern']) {
    app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', JSON.stringify({ scheme }), 'edda');
    await page.reload();
    await expect(log).toBeVisible();
    await expectLegible(page, `a question with a style sheet in ${scheme}`);
    const { ground } = await worn();
    expect(grounds).not.toContain(ground);
    grounds.push(ground);
  }
});
