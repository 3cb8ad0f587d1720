import { parseHtml } from './html';
import { textOf, type XmlElement, type XmlNode } from './xml';

const element = (node: XmlNode | undefined): XmlElement => {
  if (node?.kind !== 'element') throw new Error('no element');
  return node;
};

test('a page is read as a browser reads it: what was left open is closed, names are small, entities are letters', () => {
  const { root, title } = parseHtml('<TITLE>Tide &amp; time</TITLE><P>one<P>two &eacute;<br>three');
  expect(title).toBe('Tide & time');
  expect(root.children.map((child) => element(child).name)).toEqual(['p', 'p']);
  expect(textOf(root)).toBe('onetwo éthree');
});
test('a row without a table body gets one, as the standard says (HTML, 13.2.6.4.9)', () => {
  const { root } = parseHtml('<table><tr><td>1</table>');
  const body = element(element(root.children[0]).children[0]);
  expect([body.name, element(body.children[0]).name]).toEqual(['tbody', 'tr']);
});
test('drawings and formulas keep their namespaces; lines are those of the file', () => {
  const { root } = parseHtml('<p>a\n<svg viewBox="0 0 1 1"><path/></svg>\n<math><mi>x</mi></math>');
  const [svg, math] = element(root.children[0]).children.filter(({ kind }) => kind === 'element');
  expect(element(svg).namespace).toBe('http://www.w3.org/2000/svg');
  expect(element(svg).attributes).toEqual({ viewBox: '0 0 1 1' });
  expect(element(math).namespace).toBe('http://www.w3.org/1998/Math/MathML');
  expect(element(math).line).toBe(3);
});
test('what stands in the head and would do something is there to be named', () => {
  const { root } = parseHtml('<head><script>x</script><link rel="stylesheet" href="a.css"></head><p>a');
  expect(root.children.map((child) => element(child).name)).toEqual(['script', 'link', 'p']);
});
test('size, depth and number are limited', () => {
  expect(() => parseHtml('<div>'.repeat(200))).toThrow(/nested more than/);
  expect(() => parseHtml('<br>'.repeat(250_000))).toThrow(/more than 200000/);
  expect(() => parseHtml('a'.repeat(5_000_000))).toThrow(/longer than/);
});
