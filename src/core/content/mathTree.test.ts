import { readMath } from '../math';
import { contentText, type Content, type ContentNode } from './content';
import { mathContent } from './mathTree';

const drawn = (text: string): Content => {
  const read = readMath(text);
  if (!read.ok) throw new Error(read.why);
  return mathContent(read.node);
};
/** As it would be written in a file, without names that say nothing. */
const xml = (node: ContentNode): string => {
  if (node.kind === 'text') return node.text;
  if (node.kind !== 'element') return '';
  const inside = node.children.map(xml).join('');
  return node.name === 'mrow' || node.name === 'math' ? inside : `<${node.name}>${inside}</${node.name}>`;
};

test.each([
  ['6/8', '<mfrac><mn>6</mn><mn>8</mn></mfrac>'],
  ['1 1/2', '<mn>1</mn><mfrac><mn>1</mn><mn>2</mn></mfrac>'],
  ['12÷4', '<mn>12</mn><mo>÷</mo><mn>4</mn>'],
  ['2-3', '<mn>2</mn><mo>−</mo><mn>3</mn>'],
  ['2×3', '<mn>2</mn><mo>×</mo><mn>3</mn>'],
  ['2√(2)', '<mn>2</mn><msqrt><mn>2</mn></msqrt>'],
  ['(1+2)/3', '<mfrac><mn>1</mn><mo>+</mo><mn>2</mn><mn>3</mn></mfrac>'],
  ['x^(2n)', '<msup><mi>x</mi><mn>2</mn><mi>n</mi></msup>'],
  ['sin(30°)', '<mi>sin</mi><mo>(</mo><mn>30</mn><mo>°</mo><mo>)</mo>'],
  ['x≤3', '<mi>x</mi><mo>≤</mo><mn>3</mn>'],
])('%s is drawn as it was written', (text, expected) => {
  expect(drawn(text).map(xml).join('')).toBe(expected);
});
test.each(['6/8', '1 1/2', 'x^2', '√(8)', '3+4'])('%s, drawn and read again, is the same', (text) => {
  const again = readMath(contentText(drawn(text)));
  const first = readMath(text);
  expect(
    again.ok &&
      JSON.stringify(again.node, (_key, value: unknown) =>
        typeof value === 'bigint' ? String(value) : value,
      ),
  ).toBe(
    first.ok &&
      JSON.stringify(first.node, (_key, value: unknown) =>
        typeof value === 'bigint' ? String(value) : value,
      ),
  );
});
