import { itemFrom } from '../qti/testItem';
import { numbersItsParagraphs } from './content';

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
