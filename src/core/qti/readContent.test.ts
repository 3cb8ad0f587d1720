import { deliverItem } from '../deliver/deliver';
import { contentText, type Content, type ContentNode } from '../content/content';
import { float, single, type Value } from '../content/value';
import { itemFrom, SCORE } from './testItem';

const bodyOf = (inside: string) => {
  const { item, problems } = itemFrom(`<qti-item-body>${inside}</qti-item-body>`);
  return { body: item.body, codes: problems.map((one) => one.code) };
};
/** Content as the HTML it stands for, to compare at a glance. */
const html = (content: Content): string =>
  content
    .map((node: ContentNode) => {
      if (node.kind === 'text') return node.text;
      if (node.kind !== 'element') return `[${node.kind}]`;
      const attributes = Object.entries(node.attributes)
        .map(([name, value]) => ` ${name}="${value}"`)
        .join('');
      return `<${node.name}${attributes}>${html(node.children)}</${node.name}>`;
    })
    .join('');

describe('what is kept and what is not', () => {
  test.each([
    // Kept as it is.
    ['<p xml:lang="fr">a</p>', '<p lang="fr">a</p>', []],
    ['<p lang="de" xml:lang="fr">a</p>', '<p lang="de">a</p>', []],
    // What nobody here knows is named, whatever its prefix.
    ['<p xmlns:e="http://example.org" e:type="x">a</p>', '<p>a</p>', ['attribute-set-aside']],
    ['<p class="x" dir="rtl">a<em>b</em></p>', '<p class="x" dir="rtl">a<em>b</em></p>', []],
    [
      '<table><tbody><tr><th scope="row">a</th><td colspan="2">b</td></tr></tbody></table>',
      '<table><tbody><tr><th scope="row">a</th><td colspan="2">b</td></tr></tbody></table>',
      [],
    ],
    [
      '<ol start="3" type="a"><li value="4">x</li></ol>',
      '<ol start="3" type="a"><li value="4">x</li></ol>',
      [],
    ],
    ['<ruby>a<rt>b</rt></ruby>', '<ruby>a<rt>b</rt></ruby>', []],
    // An attribute for other programs goes without a word.
    ['<p data-catalog-idref="g">a</p>', '<p data-catalog-idref="g">a</p>', []],
    // The tag goes, the words stay.
    ['<p><font size="9">a</font></p>', '<p>a</p>', ['element-set-aside']],
    ['<a href="https://example.org/">a</a>', 'a', ['element-set-aside']],
    // The words go too.
    ['<p>a<script>b</script><style>c</style></p>', '<p>a</p>', ['element-set-aside', 'element-set-aside']],
    [
      '<iframe src="x">a</iframe><form>b</form><input value="c"/>',
      '',
      ['element-set-aside', 'element-set-aside', 'element-set-aside'],
    ],
    // What would run or load.
    ['<p onmouseover="a()">b</p>', '<p>b</p>', ['script-set-aside']],
    ['<p style="background:url(x)">b</p>', '<p>b</p>', ['attribute-set-aside']],
    ['<p title="javascript:a">b</p>', '<p>b</p>', ['attribute-set-aside']],
    // Speech markup is no subscript.
    ['<p><s:sub xmlns:s="http://www.w3.org/2001/10/synthesis" alias="b">a</s:sub></p>', '<p>a</p>', []],
  ] as const)('%s', (source, kept, codes) => {
    const read = bodyOf(source);
    expect(html(read.body)).toBe(kept);
    expect(read.codes).toEqual(codes);
  });

  test('a picture is found in the package, its address kept as a path; one from elsewhere is refused', () => {
    expect(html(bodyOf('<img src="map.png" alt="map" width="20"/>').body)).toBe(
      '<img src="map.png" alt="map" width="20"></img>',
    );
    expect(bodyOf('<img src="map.png"/>').codes).toEqual(['no-alt']);
  });
  test('an object is the picture, sound or film it holds', () => {
    expect(
      html(bodyOf('<object data="a.png" type="image/png" width="9" height="8">a map</object>').body),
    ).toBe('<img src="a.png" width="9" height="8" alt="a map"></img>');
    expect(html(bodyOf('<object data="a.mp3" type="audio/mpeg">the signal</object>').body)).toBe(
      '<audio src="a.mp3" aria-label="the signal"></audio>',
    );
    const film = bodyOf(
      '<object data="a.webm" type="video/webm"><track kind="captions" src="a.vtt" srclang="en"/></object>',
    );
    expect(html(film.body)).toContain('<track kind="captions" src="a.vtt" srclang="en">');
    const other = bodyOf('<object data="a.swf" type="application/x-thing">instead</object>');
    expect([html(other.body), other.codes]).toEqual(['instead', ['element-set-aside']]);
  });
  test('drawings and maths are kept by their own lists; a style becomes attributes', () => {
    const drawing = bodyOf(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle r="2" style="fill:#123456; behavior:x; stroke-width:2"/><image href="https://example.org/x.png"/><a href="x"><text>t</text></a></svg>',
    );
    expect(html(drawing.body)).toBe(
      '<svg viewBox="0 0 9 9"><circle r="2" fill="#123456" stroke-width="2"></circle><text>t</text></svg>',
    );
    const maths = bodyOf(
      '<math xmlns="http://www.w3.org/1998/Math/MathML"><mfrac><mn>1</mn><mn>2</mn></mfrac><maction><mi>x</mi></maction></math>',
    );
    expect(html(maths.body)).toBe('<math><mfrac><mn>1</mn><mn>2</mn></mfrac><mi>x</mi></math>');
  });
  test('an element of QTI that is not known refuses the item: it must not be shown half', () => {
    expect(bodyOf('<qti-future>a</qti-future>').codes).toEqual(['unsupported-element']);
  });
});

describe('content that depends on values', () => {
  const declared = `${SCORE}<qti-outcome-declaration identifier="SAID" cardinality="multiple" base-type="identifier"/>
    <qti-template-declaration identifier="T" cardinality="single" base-type="identifier"><qti-default-value><qti-value>boat</qti-value></qti-default-value></qti-template-declaration>
    <qti-template-declaration identifier="N" cardinality="single" base-type="float" math-variable="true"><qti-default-value><qti-value>-2.5</qti-value></qti-default-value></qti-template-declaration>
    <qti-template-declaration identifier="L" cardinality="ordered" base-type="integer"><qti-default-value><qti-value>3</qti-value><qti-value>14</qti-value></qti-default-value></qti-template-declaration>`;
  const shown = (inside: string, outcomes: Record<string, Value> | null = null, showFeedback = true) => {
    const { item, problems } = itemFrom(`${declared}<qti-item-body>${inside}</qti-item-body>`);
    expect(problems).toEqual([]);
    const session = outcomes && { tries: 1, outcomes };
    return contentText(deliverItem(item, 'q', 'seed', { tries: 0, showFeedback, session }).body);
  };
  test.each([
    ['<qti-printed-variable identifier="N"/>', '-2.5'],
    ['<qti-printed-variable identifier="N" format="%.2f"/>', '-2.50'],
    ['<qti-printed-variable identifier="N" format="%q"/>', '-2.5'],
    ['<qti-printed-variable identifier="L"/>', '3;14'],
    ['<qti-printed-variable identifier="L" delimiter=" and "/>', '3 and 14'],
    ['<qti-printed-variable identifier="L" index="2"/>', '14'],
    ['<qti-printed-variable identifier="L" format="%03d"/>', '003;014'],
    [
      '<qti-template-inline template-identifier="T" identifier="boat" show-hide="show">b</qti-template-inline>',
      'b',
    ],
    [
      '<qti-template-inline template-identifier="T" identifier="kelp" show-hide="show">b</qti-template-inline>',
      '',
    ],
    [
      '<qti-template-inline template-identifier="T" identifier="kelp" show-hide="hide">b</qti-template-inline>',
      'b',
    ],
    ['<math xmlns="http://www.w3.org/1998/Math/MathML"><mi>N</mi><mo>+</mo><mi>y</mi></math>', '\u22122.5+y'],
  ])('%s shows "%s"', (inside, expected) => {
    expect(shown(`<p>${inside}</p>`)).toBe(expected);
  });
  const feedback = (show: 'show' | 'hide') =>
    `<p>q<qti-feedback-inline outcome-identifier="SAID" identifier="near" show-hide="${show}"> nearly</qti-feedback-inline></p>`;
  const near: Value = { cardinality: 'multiple', baseType: 'identifier', values: ['far', 'near'] };
  test.each([
    ['before a try', feedback('show'), null, true, 'q'],
    ['after one that earned it', feedback('show'), { SAID: near }, true, 'q nearly'],
    ['after one that did not', feedback('show'), { SAID: single('identifier', 'far') }, true, 'q'],
    ['hidden by what it names', feedback('hide'), { SAID: near }, true, 'q'],
    ['hidden, and what it names is not there', feedback('hide'), { SCORE: float(1) }, true, 'q nearly'],
    ['where the test shows none', feedback('show'), { SAID: near }, false, 'q'],
  ])('feedback %s', (_when, inside, outcomes, showFeedback, expected) => {
    expect(shown(inside, outcomes, showFeedback)).toBe(expected);
  });
});

test('what one of the standard’s own elements says of its language is said of what stands in it', () => {
  const { item } = itemFrom(
    `<qti-response-declaration identifier="R" cardinality="single" base-type="identifier"/><qti-item-body>
      <qti-choice-interaction response-identifier="R" max-choices="1"><qti-prompt xml:lang="en">Which word is “sea”?</qti-prompt>
        <qti-simple-choice identifier="A" xml:lang="fr">la mer <em>bleue</em></qti-simple-choice><qti-simple-choice identifier="B">die See</qti-simple-choice>
      </qti-choice-interaction></qti-item-body>`,
    'xml:lang="de"',
  );
  expect(item.language).toBe('de');
  const [interaction] = item.body.flatMap((node) => (node.kind === 'interaction' ? [node.interaction] : []));
  if (interaction?.type !== 'choice') throw new Error('it is a choice');
  expect(html(interaction.prompt)).toBe('<span lang="en">Which word is “sea”?</span>');
  expect(interaction.choices.map(({ content }) => html(content))).toEqual([
    '<span lang="fr">la mer </span><em lang="fr">bleue</em>',
    'die See',
  ]);
});
