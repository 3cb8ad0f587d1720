import { openDemo } from './inBrowser';
import { line, ms, percentile } from './numbers';

/**
 * What a step of each tool costs, from the input to its paint, against a bare element that does as much on the same page: no program behind
 * it, only the browser. The processor is slowed four times. Scripts are texts, run in the page.
 */
const STEPS = 40;
const SLOWED = 4;
const demo = await openDemo(3977);
const { page, client } = demo;

/** What every script below may use. */
const HELPERS = `
  const painted = () => new Promise((resolve) => requestAnimationFrame(() => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => resolve();
    channel.port2.postMessage(0);
  }));
  const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
  const of = (selector) => {
    const found = document.querySelector(selector);
    if (!found) throw new Error('no ' + selector);
    return found;
  };
  const key = (target, name) =>
    target.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
  const pointer = (target, type, x, y) => target.dispatchEvent(new PointerEvent(type, {
    bubbles: true, cancelable: true, pointerId: 1, isPrimary: true, pointerType: 'mouse',
    button: type === 'pointermove' ? -1 : 0, buttons: type === 'pointerup' ? 0 : 1, clientX: x, clientY: y,
  }));
  /** Over everything, made of markup. */
  const over = (markup) => {
    const element = document.createElement('div');
    element.style.cssText = 'position:fixed;inset:0;z-index:99;pointer-events:none';
    element.innerHTML = markup;
    document.body.append(element);
    return element;
  };
`;
interface Script {
  readonly before?: string;
  /** `i` counts. */
  readonly step: string;
  readonly after?: string;
}
/** Milliseconds from each step to its paint. */
const timed = ({ before = '', step, after = '' }: Script): Promise<number[]> =>
  page.evaluate(`(async () => {
    ${HELPERS}
    ${before}
    const times = [];
    for (let i = 0; i < ${STEPS}; i += 1) {
      await wait(80);
      const begin = performance.now();
      ${step}
      await painted();
      times.push(performance.now() - begin);
    }
    ${after}
    return times;
  })()`);

/** Measures a tool and its bare likeness, slowed, and tells both. */
async function compare(name: string, tool: Script, bare: Script): Promise<void> {
  await client.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const [ours, theirs] = [await timed(tool), await timed(bare)];
  await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const of = (sample: readonly number[]) =>
    `${ms(percentile(sample, 0.5))} / ${ms(percentile(sample, 0.95))}`;
  const ratio = (share: number) => (percentile(ours, share) / percentile(theirs, share)).toFixed(2);
  line(
    `${name}, median / 95th percentile`,
    `${of(ours)}; bare ${of(theirs)}; ratio ${ratio(0.5)} / ${ratio(0.95)}`,
  );
}
const tools = page.getByRole('complementary');
const turnOn = async (name: RegExp) => {
  if ((await tools.getByRole('button', { name }).count()) === 0)
    await tools.getByRole('button', { name: /^More tools/ }).click();
  await tools.getByRole('button', { name }).first().click();
  await page.waitForTimeout(700);
};
const start = async (title: RegExp, question: number) => {
  await page.goto(new URL('/tests', page.url()).href);
  await page.getByRole('link', { name: title }).first().click();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await page.waitForSelector('[data-player=ready]');
  await page.click(`nav button[title^="Question ${question}:"]`);
  await page.waitForTimeout(1_000);
};

await start(/See what it asks: Skerry Sound Spring/, 1);
await turnOn(/^Line reader/);
await compare(
  'line reader, a line on',
  {
    before: `const slider = of('[role=slider][aria-label^="Line reader"]');`,
    step: `key(slider, i < 20 ? 'ArrowDown' : 'ArrowUp');`,
  },
  {
    before: `const box = over('<div style="position:absolute;left:90px;width:540px;height:26px;box-shadow:0 0 0 100vmax rgb(0 0 0/.5)"></div>');`,
    step: `box.firstElementChild.style.top = (100 + (i % 20) * 26) + 'px';`,
    after: 'box.remove();',
  },
);
await turnOn(/^Line reader/);

await turnOn(/^Lens/);
await compare(
  'lens, moved',
  { step: `pointer(of('[data-sheet=passage]'), 'pointermove', 200 + i * 8, 200 + i * 10);` },
  {
    before: `const box = over('<div style="position:absolute;width:300px;height:200px;overflow:hidden"><div></div></div>');
      const inside = box.firstElementChild.firstElementChild;
      inside.append(of('main').cloneNode(true));`,
    step: `box.firstElementChild.style.transform = 'translate(' + i * 8 + 'px,' + i * 10 + 'px)';
      inside.style.transform = 'translate(' + -i * 8 + 'px,' + -i * 10 + 'px) scale(2)';`,
    after: 'box.remove();',
  },
);
await turnOn(/^Lens/);

await turnOn(/^Sketch/);
await page
  .getByRole('button', { name: /^Draw|^Pencil/ })
  .first()
  .click()
  .catch(() => undefined);
await compare(
  'sketch, a stroke growing',
  {
    before: `const sheet = of('[data-sheet=question] [data-strokes]');
      const box = sheet.getBoundingClientRect();
      sheet.setPointerCapture = () => undefined;
      pointer(sheet, 'pointerdown', box.left + 40, box.top + 60);`,
    step: `pointer(sheet, 'pointermove', box.left + 40 + i * 5, box.top + 60 + (i % 7) * 6);`,
    after: `pointer(sheet, 'pointerup', box.left + 240, box.top + 60);`,
  },
  {
    before: `const box = over('<svg width="1280" height="800"><path fill="none" stroke="red" stroke-width="3"/></svg>');
      const path = box.querySelector('path');
      let d = 'M700 200';`,
    step: `d += 'L' + (700 + i * 5) + ' ' + (200 + (i % 7) * 6); path.setAttribute('d', d);`,
    after: 'box.remove();',
  },
);

await start(/See what it asks: Skerry Sound Workshop/, 4);
await turnOn(/^Calculator/);
await compare(
  'calculator, a digit',
  { before: `const digit = of('[data-window=calculator] [data-digit]');`, step: 'digit.click();' },
  {
    before: `const box = over('<input style="position:absolute;left:700px;top:300px;width:300px;height:44px;font-size:20px">');
      const field = box.firstElementChild;`,
    step: `field.value += '7';`,
    after: 'box.remove();',
  },
);
await page.keyboard.press('Escape');

await page.click('nav button[title^="Question 7:"]');
await page.waitForTimeout(1_000);
await turnOn(/^Protractor/);
await compare(
  'protractor, a degree on',
  { before: `const turn = of('[data-instrument] [data-turn]');`, step: `key(turn, 'ArrowRight');` },
  {
    before: `const box = over('');
      box.append(of('[data-instrument]').cloneNode(true));
      const board = box.querySelector('[role=group]');`,
    step: `board.style.transform = 'rotate(' + i + 'deg)';`,
    after: 'box.remove();',
  },
);
await demo.close();
process.exit(0);
