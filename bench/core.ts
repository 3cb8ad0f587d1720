import { readPackage } from '@/core/qti/package';
import { scoreItem } from '@/core/processing/score';
import { equivalent } from '@/core/math';
import { filesAt } from '@/server/library/files';
import { line, ms, percentile } from './numbers';

const files = filesAt('content/skerry-sound-grade-6');
const content = readPackage(files);
const time = (work: () => void) => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

const responses = {
  RESPONSE: '\\frac{3}{4}',
  RESPONSE_A: 'C',
  RESPONSE_B: '20',
  RESPONSE_1: 'B',
  RESPONSE_2: 'A',
};
const scoring: number[] = [];
for (let round = 0; round < 300; round += 1)
  for (const item of content.items.values()) scoring.push(time(() => scoreItem(item, responses)));
line(
  'scoring a response, median / 99th percentile / worst',
  [0.5, 0.99, 1].map((p) => ms(percentile(scoring, p))).join(' / '),
);

const pairs = [
  ['6n+4', '2(3n+2)'],
  ['(x+1)^2', 'x^2+2x+1'],
  ['1/sqrt(2)', 'sqrt(2)/2'],
  ['y=2x+1', '2x-y=-1'],
  ['\\frac{2}{4}', '0.5'],
  ['sin(2x)', '2sin(x)cos(x)'],
  ['x<3', '3>x'],
] as const;
const judging: number[] = [];
for (let round = 0; round < 300; round += 1)
  for (const [a, b] of pairs) judging.push(time(() => equivalent(a, b)));
line('equivalence, median / 99th percentile', [0.5, 0.99].map((p) => ms(percentile(judging, p))).join(' / '));

const hostile = [
  '('.repeat(10_000),
  '{'.repeat(2000) + '}'.repeat(2000),
  '2^{2^{2^{2^{2^{9}}}}}',
  '(x+y+z+w)^{50}',
  '(a+b+c+d+e+f)^{9}',
  '1'.repeat(3900),
  'sqrt('.repeat(50) + '2' + ')'.repeat(50),
  '(x+1)^{60}(y+1)^{60}',
  '9^9^9',
];
const worst = Math.max(
  ...hostile.flatMap((text) => [
    time(() => equivalent(text, '(x+y)^{50}')),
    time(() => equivalent(text, text)),
  ]),
);
line('equivalence, the worst of nine hostile answers', ms(worst));

/** The demo package with its items a hundred times over. */
const items = [...files.paths].filter((path) => path.startsWith('items/'));
const many = new Map<string, Uint8Array>();
for (const path of files.paths)
  if (!path.startsWith('items/') && !/manifest|test\.xml/.test(path)) many.set(path, files.read(path));
const text = (path: string) => new TextDecoder().decode(files.read(path));
let resources = '';
for (let i = 0; i < 100; i += 1) {
  const from = items[i % items.length] ?? '';
  const path = `items/copy-${i}.xml`;
  many.set(
    path,
    new TextEncoder().encode(text(from).replace(/identifier="[^"]+"/, `identifier="copy-${i}"`)),
  );
  resources += `<resource identifier="r${i}" type="imsqti_item_xmlv3p0" href="${path}"/>`;
}
many.set(
  'imsmanifest.xml',
  new TextEncoder().encode(`<manifest identifier="many"><resources>${resources}</resources></manifest>`),
);
const importing = Array.from({ length: 5 }, () =>
  time(() => {
    const read = readPackage({
      paths: new Set(many.keys()),
      read: (path) => many.get(path) ?? new Uint8Array(),
    });
    if (read.items.size !== 100) throw new Error('not all items were read');
  }),
);
line('importing 100 items, median', ms(percentile(importing, 0.5)));
