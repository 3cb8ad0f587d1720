import { itemFrom } from '../qti/testItem';
import { contentText, numbersItsParagraphs } from './content';

const body = (...paragraphs: string[]) =>
  itemFrom(`<qti-item-body>${paragraphs.map((one) => `<p>${one}</p>`).join('')}</qti-item-body>`).item.body;

test('a text with numbers of its own is known by them', () => {
  expect(numbersItsParagraphs(body('1 Twice a day', '2 The tide', '3 It rose'))).toBe(true);
  expect(numbersItsParagraphs(body('A story', '<span>4</span>Twice', '(5) The tide'))).toBe(true);
});
test('years, sums and a single number are no numbers of paragraphs', () => {
  expect(numbersItsParagraphs(body('1887 was wet', 'Nothing'))).toBe(false);
  expect(numbersItsParagraphs(body('12 boats left', '30 came back'))).toBe(false);
  expect(numbersItsParagraphs(body('1.5 metres', '2.5 metres'))).toBe(false);
  expect(numbersItsParagraphs(body())).toBe(false);
});

/** What a label or a sentence says of a formula: never `12` for one half. */
test.each([
  ['<mfrac><mn>1</mn><mn>2</mn></mfrac>', '1/2'],
  ['<mn>3</mn><mfrac><mn>1</mn><mn>2</mn></mfrac>', '3 1/2'],
  ['<mi>x</mi><mo>+</mo><mfrac><mn>1</mn><mn>2</mn></mfrac>', 'x+1/2'],
  ['<mfrac><mrow><mi>x</mi><mo>+</mo><mn>1</mn></mrow><mn>2</mn></mfrac>', '(x+1)/2'],
  ['<msup><mi>x</mi><mn>2</mn></msup><mo>=</mo><mn>9</mn>', 'x^2=9'],
  ['<msup><mrow><mn>2</mn><mi>x</mi></mrow><mrow><mo>-</mo><mn>1</mn></mrow></msup>', '2x^(-1)'],
  ['<msqrt><mi>x</mi><mo>+</mo><mn>1</mn></msqrt>', '√(x+1)'],
  ['<mroot><mn>8</mn><mn>3</mn></mroot>', '3√8'],
  ['<msub><mi>a</mi><mn>1</mn></msub>', 'a_1'],
  ['<mn>2</mn><mo>&#x2062;</mo><mi>x</mi>', '2x'],
  [
    '<mtable><mtr><mtd><mn>1</mn></mtd><mtd><mn>2</mn></mtd></mtr><mtr><mtd><mn>3</mn></mtd><mtd><mn>4</mn></mtd></mtr></mtable>',
    '1, 2; 3, 4',
  ],
])('a formula in words: %s', (inside, words) => {
  const maths = `<math xmlns="http://www.w3.org/1998/Math/MathML">${inside}</math>`;
  expect(contentText(body(`It is ${maths}.`))).toBe(`It is ${words}.`);
});
test('a formula with a text of its own is read as that', () => {
  const maths =
    '<math xmlns="http://www.w3.org/1998/Math/MathML" alttext="one half"><mfrac><mn>1</mn><mn>2</mn></mfrac></math>';
  expect(contentText(body(maths))).toBe('one half');
});
