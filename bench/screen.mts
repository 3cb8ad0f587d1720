import { gzipSync } from 'node:zlib';
import { numberOf as kindNumber } from '../tests/e2e/kinds';
import { openDemo, paintAfter } from './inBrowser';
import { line, ms, percentile } from './numbers';

const demo = await openDemo(3978);
const { page, client } = demo;
await page.getByRole('link', { name: /See what it asks: Skerry Sound Spring/ }).click();
const scripts = new Map<string, number>();
let counting = true;
page.on('response', (response) => {
  if (!counting || response.request().resourceType() !== 'script') return;
  void response.body().then(
    (body) => {
      if (!body.includes('MathfieldElement')) scripts.set(response.url(), gzipSync(body).length);
    },
    () => undefined,
  );
});
const start = page.getByRole('button', { name: /Start the test/ });
await start.waitFor();
scripts.clear();
await start.click();
await page.getByRole('heading', { name: 'Question 1', exact: true }).waitFor();
counting = false;
await page.waitForSelector('[data-player=ready]');
const html = await page.evaluate(() => [...document.scripts].map((script) => script.src).filter(Boolean));
const total = [...scripts].reduce((sum, [, bytes]) => sum + bytes, 0);
line(
  'script of the first question screen without the maths editor, gzip (wanted: < 350 kB)',
  `${Math.round(total / 1024)} kB in ${scripts.size} files (${html.length} in the page)`,
);

await page.evaluate('globalThis.__name = (f) => f');
await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
/** How long a question is looked at, at the very least, before the next is asked for. */
const LOOKED_AT_MS = 600;
/** What the browser itself needs for the same sheets without any program: copies of them, put in each other's place. */
async function bareSteps(numbers: readonly number[]): Promise<number[]> {
  await page.evaluate(() => Object.assign(window, { copies: [] }));
  for (const number of numbers) {
    await page.click(stop(number));
    await page.waitForTimeout(LOOKED_AT_MS);
    await page.evaluate(() => {
      const sheets = document.querySelector('main')?.firstElementChild;
      if (sheets) (window as unknown as { copies: Node[] }).copies.push(sheets.cloneNode(true));
    });
  }
  return page.evaluate(async () => {
    const real = document.querySelector('main');
    if (!real) throw new Error('no main');
    const bare = real.cloneNode(false) as HTMLElement;
    real.replaceWith(bare);
    const times: number[] = [];
    const { copies } = window as unknown as { copies: Node[] };
    for (let round = 0; round < 4; round += 1) {
      for (const copy of copies) {
        await new Promise((resolve) => setTimeout(resolve, 150));
        const begin = performance.now();
        bare.replaceChildren(copy);
        await new Promise<void>((resolve) =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => resolve();
            channel.port2.postMessage(0);
          }),
        );
        times.push(performance.now() - begin);
      }
    }
    bare.replaceWith(real);
    return times;
  });
}
const steps: number[] = [];
const stop = (number: number) => `nav button[title^="Question ${number}:"]`;
for (let number = 1; number <= 12; number += 1) {
  await page.click(stop(number));
  const goOn = page.getByRole('button', { name: 'Go on anyway' });
  await page.waitForTimeout(500);
  if (await goOn.isVisible()) await goOn.click();
  await page.waitForTimeout(200);
}
for (let round = 0; round < 4; round += 1) {
  for (let number = 1; number <= 12; number += 1) {
    steps.push(await paintAfter(page, stop(number)));
    await page.waitForTimeout(LOOKED_AT_MS);
  }
}
const bare = await bareSteps(Array.from({ length: 12 }, (_, i) => i + 1));
line(
  'question to question, painted, 95th percentile (wanted: < 50 ms)',
  `${ms(percentile(steps, 0.95))} (median ${ms(percentile(steps, 0.5))})`,
);
line(
  'the same sheets put in each other’s place without any program, 95th percentile: the baseline',
  `${ms(percentile(bare, 0.95))} (median ${ms(percentile(bare, 0.5))})`,
);

await page.click(stop(1));
const inputs: number[] = [];
for (let i = 0; i < 40; i += 1) {
  inputs.push(await paintAfter(page, `main li:nth-child(${(i % 4) + 1}) input`));
  await page.waitForTimeout(60);
}
line(
  'choosing, input to paint, 95th percentile (wanted: < 50 ms)',
  `${ms(percentile(inputs, 0.95))} (median ${ms(percentile(inputs, 0.5))})`,
);
await page.getByRole('button', { name: 'Line reader' }).click();
await page.waitForTimeout(500);
const reader: number[] = [];
for (let i = 0; i < 40; i += 1) {
  reader.push(await paintAfter(page, '[role=slider]', i < 20 ? 'ArrowDown' : 'ArrowUp'));
  await page.waitForTimeout(60);
}
line(
  'line-reader step, input to paint, 95th percentile (wanted: < 50 ms)',
  `${ms(percentile(reader, 0.95))} (median ${ms(percentile(reader, 0.5))})`,
);
await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
await page.getByRole('button', { name: 'Stop for now' }).click();
await page.getByRole('dialog').getByRole('button', { name: 'Stop for now' }).click();
await page.waitForURL(/tests$/);
await page.getByRole('link', { name: /See what it asks: Every kind/ }).click();
await page.getByRole('button', { name: /Start the test/ }).click();
await page.waitForSelector('[data-player=ready]');
const count = await page.locator('nav button[title^="Question "]').count();
for (let number = 1; number <= count; number += 1) {
  await page.click(stop(number));
  const goOn = page.getByRole('button', { name: 'Go on anyway' });
  await page.waitForTimeout(120);
  if (await goOn.isVisible()) await goOn.click();
}
await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const kinds: number[] = [];
for (let number = 1; number <= count; number += 1) {
  kinds.push(await paintAfter(page, stop(number)));
  await page.waitForTimeout(LOOKED_AT_MS);
}
line(
  `question to question through all ${count} kinds, painted, 95th percentile (wanted: < 50 ms)`,
  `${ms(percentile(kinds, 0.95))} (median ${ms(percentile(kinds, 0.5))})`,
);

/** Frames while something is dragged: how long each takes from the pointer's move to its paint. */
const dragFrames = (selector: string, dx: number, dy: number) =>
  page.evaluate(
    ([target, x, y]) =>
      new Promise<number[]>((resolve) => {
        const element = document.querySelector<HTMLElement>(target);
        if (!element) throw new Error(`no ${target}`);
        const box = element.getBoundingClientRect();
        const [left, top] = [box.left + box.width / 2, box.top + box.height / 2];
        element.setPointerCapture = () => undefined;
        const send = (type: string, step: number) =>
          element.dispatchEvent(
            new PointerEvent(type, {
              bubbles: true,
              cancelable: true,
              pointerId: 1,
              isPrimary: true,
              button: type === 'pointermove' ? -1 : 0,
              buttons: type === 'pointerup' ? 0 : 1,
              clientX: left + (x * step) / 40,
              clientY: top + (y * step) / 40,
            }),
          );
        const frames: number[] = [];
        send('pointerdown', 0);
        const next = (step: number) => {
          if (step > 40) {
            send('pointerup', 40);
            resolve(frames);
            return;
          }
          const begin = performance.now();
          send('pointermove', step);
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => {
              frames.push(performance.now() - begin);
              next(step + 1);
            };
            channel.port2.postMessage(0);
          });
        };
        next(1);
      }),
    [selector, dx, dy] as const,
  );
const dragged: number[] = [];
const onKind = async (item: string) => {
  await page.click(stop(kindNumber(item)));
  await page.waitForTimeout(600);
};
await onKind('gap-match-1');
dragged.push(...(await dragFrames('[data-piece]', 160, 90)));
await onKind('number-line-1');
await page.locator('[data-line]').click({ position: { x: 200, y: 52 } });
await page.waitForTimeout(400);
dragged.push(...(await dragFrames('[data-line] [role=slider]', 240, 0)));
await onKind('coordinate-plane-2');
for (const [x, y] of [
  [120, 320],
  [240, 320],
  [240, 200],
  [120, 320],
] as const) {
  await page.locator('[data-plane]').click({ position: { x, y } });
  await page.waitForTimeout(120);
}
dragged.push(...(await dragFrames('[data-handle="0-2"]', 80, -60)));
line(
  'dragging a piece, a point on a line, a corner on a grid: pointer to paint, 95th percentile (wanted: < 50 ms)',
  `${ms(percentile(dragged, 0.95))} (median ${ms(percentile(dragged, 0.5))}, ${dragged.length} frames)`,
);
await demo.close();
process.exit(0);
