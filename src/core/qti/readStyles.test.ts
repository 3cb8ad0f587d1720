import { reporterFor, type Problem } from '../xml/problem';
import { readStyles } from './readStyles';

const read = (css: string) => {
  const problems: Problem[] = [];
  const rules = readStyles(css, reporterFor('a.css', problems));
  return { rules, problems };
};
/** As CSS, to compare at a glance. */
const shown = (css: string) =>
  read(css)
    .rules.map(
      ({ selectors, declarations }) =>
        `${selectors.join(', ')} { ${declarations.map(({ property, value }) => `${property}: ${value}`).join('; ')} }`,
    )
    .join('\n');

describe('what is kept of a style sheet', () => {
  test.each([
    ['.note { text-align: center }', '.note { text-align: center }'],
    ['p.note, td > b { font-weight: bold }', 'p.note, td > b { font-weight: bold }'],
    ['qti-item-body, body, :root { color: navy }', ':scope, :scope, :scope { color: #000080 }'],
    ['qti-item-body p { color: rgb(10, 20, 30) }', ':scope p { color: #0a141e }'],
    ['tr:nth-child(2n + 1) td { background: #EEE }', 'tr:nth-child(2n+1) td { background-color: #eeeeee }'],
    // Lengths of old screens and of paper grow with the student's size.
    [
      '.a { margin: 8px 1em 0 50% ; padding-left: 12pt }',
      '.a { margin: 0.5rem 1em 0 50%; padding-left: 1rem }',
    ],
    // Letters are never smaller than can be read beside the rest, nor told in pixels.
    [
      '.a { font-size: 120% } .b { font-size: .5em } .c { font-size: smaller }',
      '.a { font-size: 1.2em }\n.b { font-size: 0.85em }\n.c { font-size: 0.85em }',
    ],
    [
      'td { border-left: 1px solid red }',
      'td { border-left-width: 0.0625rem; border-left-style: solid; border-left-color: #ff0000 }',
    ],
    ['/* words */ .a { text-decoration: underline } ', '.a { text-decoration-line: underline }'],
    ['', ''],
  ])('%s', (css, kept) => {
    expect(shown(css)).toBe(kept);
    expect(read(css).problems).toEqual([]);
  });
});

describe('what is set aside is named with its line, and the rest is kept', () => {
  test.each([
    ['where things lie', '.a {\n position: fixed; color: red }', 2],
    ['what is hidden', '.a {\n\n display: none; color: red }', 3],
    ['an address', '.a { background: url(http://elsewhere.example/a.png); color: red }', 1],
    ['an address in another property', '.a { list-style-type: url(a.png); color: red }', 1],
    ['a function', '.a { width: calc(100% + 1px); color: red }', 1],
    ['a variable', '.a { --x: 1; color: red }', 1],
    ['a variable that is used', '.a { font-weight: var(--x); color: red }', 1],
    ['less than nothing', '.a { margin-top: -40px; color: red }', 1],
    ['a length of the window', '.a { width: 200vw; color: red }', 1],
    ['letters in pixels', '.a { font-size: 9px; color: red }', 1],
    ['letters like a wall', '.a { font-size: 40em; color: red }', 1],
    ['a value that is none', '.a { text-align: sideways; color: red }', 1],
    ['a color one sees through', '.a { background-color: rgba(0, 0, 0, .1); color: red }', 1],
    ['an import', '@import "b.css"; .a { color: red }', 1],
    ['a condition', '.a { color: red } @media print { .a { color: blue } }', 1],
    ['a face', '@font-face { font-family: x; src: url(x) } .a { color: red }', 1],
    ['what is no CSS', '.a { color: red } .b { color }', 1],
  ])('%s', (_, css, line) => {
    const { problems } = read(css);
    expect(shown(css)).toContain('.a { color: #ff0000 }');
    expect(shown(css)).not.toMatch(/url|import|media|calc|var|fixed|none/);
    expect(problems[0]).toMatchObject({ severity: 'warning', code: 'style-set-aside', file: 'a.css', line });
  });
  test.each([
    ['an element of the page', 'main { color: red }'],
    ['something inside something', '.a:has(input) { color: red }'],
    ['an attribute', '[data-key="x"] { color: red }'],
    ['what is pointed at', 'a:hover { color: red }'],
    ['what stands before', 'p::before { color: red }'],
    ['a child that is chosen', 'p:nth-child(1 of .a) { color: red }'],
  ])('a selector with %s', (_, css) => {
    const { rules, problems } = read(css);
    expect(rules).toEqual([]);
    expect(problems).toHaveLength(1);
  });
  test('what closes a style element is no selector and no value', () => {
    const { rules } = read(
      '.a\\</style\\> { color: red } .b { list-style-type: "</style>" } .c { color: red }',
    );
    expect(JSON.stringify(rules)).not.toContain('</style');
  });
  test('too much of it', () => {
    expect(read('.a{color:red}'.repeat(20_000)).rules).toEqual([]);
    expect(read('.a{color:red}'.repeat(600)).rules).toHaveLength(500);
  });
});
