/** @jest-environment jsdom */
import fc from 'fast-check';
import { rangesFor, stretchOf, textNodesOf, textOf } from './domText';

const sheet = (html: string): HTMLElement => {
  document.body.innerHTML = `<div>${html}</div>`;
  return document.body.firstElementChild as HTMLElement;
};
const words = (root: HTMLElement, start: number, end: number) =>
  rangesFor(root, start, end).map(({ startContainer, startOffset, endOffset }) =>
    (startContainer as Text).data.slice(startOffset, endOffset),
  );

describe('the text that can be marked', () => {
  test.each([
    ['<p>high <b>water</b> at noon</p>', 'high water at noon'],
    ['<p>a <button>press</button><input value="x"/> b</p>', 'a  b'],
    ['<p>a<span data-no-text="">tool</span>b</p>', 'ab'],
    ['<p>a<span class="visually-hidden">said only</span>b</p>', 'ab'],
    ['<label><input type="radio"/>the short light</label>', 'the short light'],
    ['<p>x<span role="button">piece</span>y</p>', 'xy'],
    ['', ''],
  ])('%s is "%s"', (html, text) => {
    expect(textOf(sheet(html))).toBe(text);
  });
});

describe('stretches and ranges', () => {
  test('a stretch over several elements is a range in each, and nothing in an answer place', () => {
    const root = sheet('<p>one <i>two</i> <button>no</button>three</p>');
    expect(words(root, 2, 9)).toEqual(['e ', 'two', 't']);
    expect(words(root, 0, 3)).toEqual(['one']);
    expect(words(root, 5, 5)).toEqual([]);
  });
  test('a selection is a stretch, blanks at its ends left out', () => {
    const root = sheet('<p>one <i>two</i> three</p>');
    const range = document.createRange();
    const [first, second, third] = textNodesOf(root);
    if (!first || !second || !third) throw new Error('three pieces were expected');
    range.setStart(first, 3);
    range.setEnd(third, 1);
    expect(stretchOf(root, range)).toEqual({ start: 4, end: 7 });
    range.setStart(first, 3);
    range.setEnd(first, 4);
    expect(stretchOf(root, range)).toBeNull();
  });
  test('a selection somewhere else is none', () => {
    const root = sheet('<p>here</p>');
    const other = document.createElement('p');
    other.textContent = 'there';
    document.body.append(other);
    const range = document.createRange();
    range.selectNodeContents(other);
    expect(stretchOf(root, range)).toBeNull();
  });
  test('whatever is selected, its ranges hold the very words of the stretch', () => {
    const pieces = fc.array(fc.tuple(fc.constantFrom('b', 'i', 'span'), fc.stringMatching(/^[a-z ]{1,6}$/)), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(pieces, fc.nat(40), fc.nat(40), (list, a, b) => {
        const root = sheet(list.map(([name, text]) => `<${name}>${text}</${name}>`).join(''));
        const text = textOf(root);
        const [start, end] = [Math.min(a, b, text.length), Math.min(Math.max(a, b), text.length)];
        const painted = words(root, start, end).join('');
        expect(painted.replaceAll(' ', '')).toBe(text.slice(start, end).replaceAll(' ', ''));
      }),
    );
  });
});
