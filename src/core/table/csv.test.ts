import { parseTable, writeTable } from './csv';

const read = (text: string) => parseTable(new TextEncoder().encode(text), 'table.csv');

test('what is written is read again as it was: commas, quotes, line ends, letters of any language, nothing', () => {
  const cells = ['a,b', 'she said "no"', 'one\ntwo', 'ñandú 見る', '', ' spaces '];
  const table = read(writeTable(['a', 'b', 'c', 'd', 'e', 'f'], [cells, ['1', null, 3, -4, 0.5, '6']]));
  expect(table.header).toEqual(['a', 'b', 'c', 'd', 'e', 'f']);
  expect(table.rows.map((row) => row.cells)).toEqual([cells, ['1', '', '3', '-4', '0.5', '6']]);
});

test('rows end as RFC 4180 says, the last one too', () => {
  expect(writeTable(['a'], [['x']])).toBe('a\r\nx\r\n');
});

test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx', '\rx'])('%j is text and no formula', (text) => {
  expect(read(writeTable(['a', 'b'], [[text, 'x']])).rows[0]?.cells[0]).toBe(`'${text}`);
});
