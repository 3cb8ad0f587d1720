import { deliverDirections } from '../deliver/assets';
import { deliverTest } from '../deliver/deliver';
import { readBeside } from '../item/materials';
import { drawForm } from '../sitting/form';
import { readPackage, resolvePath, UnreadablePackage } from './package';
import { filesFrom, itemFrom, SCORE } from './testItem';
import { parseXml, XmlError } from '../xml/xml';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const manifest = (...resources: [type: string, href: string][]) =>
  `<manifest identifier="pkg"><resources>${resources.map(([type, href], i) => `<resource identifier="r${i}" type="${type}" href="${href}"/>`).join('')}</resources></manifest>`;
const item = (identifier: string, body: string, extra = '') =>
  `<qti-assessment-item ${NS} identifier="${identifier}" title="t"><qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration>${SCORE}${extra}<qti-item-body>${body}</qti-item-body></qti-assessment-item>`;
const choice =
  '<qti-choice-interaction response-identifier="RESPONSE" max-choices="1"><qti-simple-choice identifier="A">a</qti-simple-choice></qti-choice-interaction>';

describe('XML is read within limits', () => {
  test.each([
    ['<!DOCTYPE x [<!ENTITY a "b">]><x>&a;</x>', /document type/],
    ['<x>&unknown;</x>', /entity/],
    ['<x><y></x>', /tag/],
    ['<x>'.repeat(200) + '</x>'.repeat(200), /nested deeper/],
    ['', /element|document/],
  ])('%.30s', (source, message) => {
    expect(() => parseXml(source)).toThrow(XmlError);
    expect(() => parseXml(source)).toThrow(message);
  });
  test('lines are those of the file', () => {
    expect(parseXml('<a>\n  <b/>\n</a>').children.find((node) => node.kind === 'element')?.line).toBe(2);
  });
});

describe('paths stay inside the package', () => {
  test.each([
    ['items/a.xml', '../images/b.svg', 'images/b.svg'],
    ['items/a.xml', 'b%20c.png', 'items/b c.png'],
    ['a.xml', '../../etc/passwd', null],
    ['a.xml', 'https://example.org/x.png', null],
    ['a.xml', '//example.org/x.png', null],
    ['a.xml', 'file:///etc/passwd', null],
  ])('%s with %s', (from, href, expected) => {
    expect(resolvePath(from, href)).toBe(expected);
  });
});

describe('the import report', () => {
  const report = (entries: Record<string, string>) => {
    const content = readPackage(filesFrom(entries));
    return {
      codes: content.problems.map(({ severity, code, file, line }) => `${severity} ${code} ${file}:${line}`),
      content,
    };
  };
  test('a package without a manifest cannot be read', () => {
    expect(() => readPackage(filesFrom({}))).toThrow(UnreadablePackage);
    expect(() => readPackage(filesFrom({ 'imsmanifest.xml': '<manifest' }))).toThrow(UnreadablePackage);
  });
  test('what is wrong is named with file and line, and the rest is read', () => {
    const { codes, content } = report({
      'imsmanifest.xml': manifest(
        ['imsqti_item_xmlv3p0', 'good.xml'],
        ['imsqti_item_xmlv3p0', 'bad.xml'],
        ['imsqti_item_xmlv3p0', 'missing.xml'],
      ),
      'good.xml': item('good', choice),
      'bad.xml': item('bad', `\n<qti-future-interaction response-identifier="RESPONSE"/>`),
    });
    expect(codes).toEqual([
      'error missing-file imsmanifest.xml:1',
      'error unsupported-interaction bad.xml:2',
    ]);
    expect([...content.items.keys()]).toEqual(['good']);
  });
  test('a test that needs a refused item is refused', () => {
    const { codes, content } = report({
      'imsmanifest.xml': manifest(['imsqti_test_xmlv3p0', 'test.xml']),
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="t"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="individual"><qti-assessment-section identifier="s" title="s" visible="true"><qti-assessment-item-ref identifier="i" href="bad.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
      'bad.xml': item('bad', '<qti-unknown/>'),
    });
    expect(codes).toEqual(['error unsupported-element bad.xml:1', 'error refused-item test.xml:1']);
    expect(content.tests).toEqual([]);
  });
  test.each([
    [
      'an undeclared variable',
      '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-variable identifier="NOPE"/></qti-set-outcome-value></qti-response-processing>',
      'unknown-variable',
    ],
    [
      'an unknown expression',
      '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-magic/></qti-set-outcome-value></qti-response-processing>',
      'unknown-expression',
    ],
    [
      'a wrong number of children',
      '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-not/></qti-set-outcome-value></qti-response-processing>',
      'expression-children',
    ],
    [
      'a foreign operator',
      '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-custom-operator class="other.magic"/></qti-set-outcome-value></qti-response-processing>',
      'unknown-operator',
    ],
    [
      'an unknown template',
      '<qti-response-processing template="https://example.org/own_template"/>',
      'unknown-template',
    ],
    [
      'an unknown rule',
      '<qti-response-processing><qti-do-something/></qti-response-processing>',
      'unknown-rule',
    ],
  ])('%s is an error', (_what, processing, code) => {
    const { problems } = itemFrom(
      `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"/>${SCORE}<qti-item-body>${choice}</qti-item-body>${processing}`,
    );
    expect(problems.map((one) => one.code)).toEqual([code]);
  });
});

describe('content is cleaned by allow-list', () => {
  test('scripts, handlers, frames, remote addresses and forms do not get in', () => {
    const { item: read, problems } = itemFrom(
      `<qti-item-body><p onclick="steal()">Text<script>steal()</script></p><iframe src="x"/><form><input/></form><a href="javascript:steal()">link</a>
       <svg xmlns="http://www.w3.org/2000/svg"><script>steal()</script><circle r="1" fill="url(https://example.org/x)"/><foreignObject><p>html</p></foreignObject></svg></qti-item-body>`,
    );
    const kept = JSON.stringify(read.body);
    expect(kept).not.toMatch(/steal|iframe|form|input|javascript|example|script|html<|onclick|foreignObject/);
    expect(kept).toContain('link');
    expect(problems.every((one) => one.severity === 'warning')).toBe(true);
    expect(problems.map((one) => one.code)).toEqual(
      expect.arrayContaining(['script-set-aside', 'element-set-aside']),
    );
  });
});

test('what a browser is given holds no key, no title, no feedback, no rubric', () => {
  const content = readPackage(
    filesFrom({
      'imsmanifest.xml': manifest(['imsqti_test_xmlv3p0', 'test.xml']),
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Test"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="s" visible="true"><qti-assessment-item-ref identifier="i" href="item.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
      'item.xml': item(
        'i',
        `${choice}<qti-feedback-block outcome-identifier="SCORE" identifier="x" show-hide="show"><p>SECRETFEEDBACK</p></qti-feedback-block><qti-rubric-block view="scorer"><p>SECRETRUBRIC</p></qti-rubric-block><p><qti-text-entry-interaction response-identifier="WORD"/></p>`,
      )
        .replace('title="t"', 'title="SECRETTITLE"')
        .replace(
          '<qti-outcome-declaration',
          '<qti-response-declaration identifier="WORD" cardinality="single" base-type="string"><qti-correct-response><qti-value>SECRETKEY</qti-value></qti-correct-response></qti-response-declaration><qti-outcome-declaration',
        ),
    }),
  );
  const [test] = content.tests;
  if (!test) throw new Error('the test was refused');
  expect(JSON.stringify(content.items.get('i'))).toMatch(/SECRETKEY/);
  expect(JSON.stringify(deliverTest({ ...content, test: test }, drawForm(test, 'seed')))).not.toMatch(
    /SECRET/,
  );
});

test('the same seed mixes choices the same way, fixed ones stay', () => {
  const body = `<qti-choice-interaction response-identifier="RESPONSE" max-choices="1" shuffle="true">${'ABCDEFGH'
    .split('')
    .map(
      (id) =>
        `<qti-simple-choice identifier="${id}"${id === 'H' ? ' fixed="true"' : ''}>${id}</qti-simple-choice>`,
    )
    .join('')}</qti-choice-interaction>`;
  const content = readPackage(
    filesFrom({
      'imsmanifest.xml': manifest(['imsqti_test_xmlv3p0', 'test.xml']),
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="T"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="s" visible="true"><qti-assessment-item-ref identifier="i" href="i.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
      'i.xml': item('i', body),
    }),
  );
  const order = (seed: string) => {
    const [test] = content.tests;
    const text = JSON.stringify(
      test && deliverTest({ ...content, test: test }, drawForm(test, seed)).items.i?.body,
    );
    return [...text.matchAll(/"identifier":"([A-H])"/g)].map((found) => found[1]).join('');
  };
  expect(order('one')).toBe(order('one'));
  expect(order('one')).toMatch(/H$/);
  expect(new Set(['one', 'two', 'three', 'four'].map(order)).size).toBeGreaterThan(1);
});

const withSheet = (path: string, bytes: string) =>
  readPackage(
    filesFrom({
      'imsmanifest.xml': `<manifest identifier="m"><resources><resource identifier="i" type="imsqti_item_xmlv3p0" href="items/i.xml"/></resources></manifest>`,
      'items/i.xml': `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="I" adaptive="false" time-dependent="false">
        <qti-companion-materials-info><qti-digital-material label="Sheet"><qti-file-href>../${path}</qti-file-href></qti-digital-material></qti-companion-materials-info>
        <qti-item-body><p>a</p></qti-item-body></qti-assessment-item>`,
      ...(bytes === '' ? {} : { [path]: bytes }),
    }),
  );
test('a PDF beside a question is kept with the package; what only is called one is named and set aside', () => {
  const good = withSheet('sheets/a.pdf', '%PDF-1.7 …');
  expect(good.items.get('i')?.materials.sheets).toEqual([
    { kind: 'pdf', path: 'sheets/a.pdf', title: 'Sheet' },
  ]);
  expect(good.assets).toContain('sheets/a.pdf');
  expect(good.problems).toEqual([]);
  const bad = withSheet('sheets/a.pdf', 'GIF89a');
  expect(bad.items.get('i')?.materials.sheets).toEqual([]);
  expect(bad.problems[0]).toMatchObject({ severity: 'warning', file: 'items/i.xml', line: 2 });
  expect(withSheet('sheets/a.pdf', '').problems[0]).toMatchObject({ code: 'missing-file' });
});
test('an HTML page beside a question is read like a passage, with what is set aside named in its own file', () => {
  const { items, stimuli, assets, problems } = withSheet(
    'sheets/b.html',
    '<title>Signs</title><p onclick="x()">Bells<p><a href="http://elsewhere.example">more</a><script>x()</script>',
  );
  expect(items.get('i')?.materials.sheets).toEqual([{ kind: 'page', path: 'sheets/b.html', title: 'Sheet' }]);
  expect(JSON.stringify(stimuli.get('/sheets/b.html')?.body)).toMatch(/Bells.*more/);
  expect(JSON.stringify(stimuli.get('/sheets/b.html'))).not.toMatch(/onclick|script|elsewhere/);
  expect(assets).toContain('sheets/b.html');
  expect(problems.map(({ code, file }) => `${file} ${code}`)).toEqual([
    'sheets/b.html script-set-aside',
    'sheets/b.html element-set-aside',
    'sheets/b.html element-set-aside',
  ]);
});
test('a page and a passage of one name are two things', () => {
  const xmlns = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
  const { items, stimuli } = readPackage(
    filesFrom({
      'imsmanifest.xml': `<manifest identifier="m"><resources><resource identifier="i" type="imsqti_item_xmlv3p0" href="i.xml"/></resources></manifest>`,
      'b.html': '<p>page',
      'p.xml': `<qti-assessment-stimulus ${xmlns} identifier="b.html" title="P"><qti-stimulus-body><p>passage</p></qti-stimulus-body></qti-assessment-stimulus>`,
      'i.xml': `<qti-assessment-item ${xmlns} identifier="i" title="I" adaptive="false" time-dependent="false"><qti-assessment-stimulus-ref identifier="b.html" href="p.xml"/><qti-companion-materials-info><qti-digital-material href="b.html"/></qti-companion-materials-info><qti-item-body><p>a</p></qti-item-body></qti-assessment-item>`,
    }),
  );
  const item = items.get('i');
  const [passage, page] = item ? readBeside(item) : [];
  expect(JSON.stringify(stimuli.get(passage ?? ''))).toContain('passage');
  expect(JSON.stringify(stimuli.get(page ?? ''))).toContain('page');
});

describe('documents that links lead to', () => {
  const read = (link: string, files: Record<string, string> = {}) =>
    readPackage(
      filesFrom({
        'imsmanifest.xml': `<manifest identifier="m"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>`,
        'test.xml': `<qti-assessment-test xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="t" title="T">
          <qti-rubric-block view="candidate"><p>See <a href="${link}">the words</a>.</p></qti-rubric-block>
          <qti-test-part identifier="p" navigation-mode="linear" submission-mode="individual"><qti-assessment-section identifier="s" title="S" visible="true">
            <qti-assessment-item-ref identifier="i" href="i.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
        'i.xml': `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="I"><qti-item-body><p>Q</p></qti-item-body></qti-assessment-item>`,
        ...files,
      }),
    );
  const delivered = (link: string, files: Record<string, string>) => {
    const content = read(link, files);
    const [test] = content.tests;
    if (!test) throw new Error('no test');
    const whole = { ...content, test };
    return { before: deliverDirections(whole), during: deliverTest(whole, drawForm(test, 'seed')), content };
  };
  test('a page is shown before the test and during it, with its pictures, and links in it lead nowhere', () => {
    const page =
      '<title>Words</title><p>lee <img src="lee.png" alt="the lee"/> <a href="words.html">again</a></p>';
    const { before, during, content } = delivered('papers/words.html', {
      'papers/words.html': page,
      'papers/lee.png': 'x',
    });
    expect(JSON.stringify(before.content)).toContain('"data-document":"papers/words.html"');
    expect(Object.keys(before.documents)).toEqual(['/papers/words.html']);
    expect(before.assets).toEqual(['papers/lee.png']);
    expect(during.stimuli['/papers/words.html']).toEqual(before.documents['/papers/words.html']);
    expect(during.assets).toContain('papers/lee.png');
    expect(content.problems.map(({ code, file }) => `${file} ${code}`)).toEqual([
      'papers/words.html element-set-aside',
    ]);
  });
  test('a PDF is a file of the test', () => {
    const { before, during } = delivered('a.pdf', { 'a.pdf': '%PDF-1.7 …' });
    expect(before).toMatchObject({ documents: {}, assets: ['a.pdf'] });
    expect(during.assets).toContain('a.pdf');
  });
  test.each([
    ['what is not in the package', 'none.html', {}],
    ['another site', 'https://example.org/a.html', {}],
    ['out of the package', '../a.html', {}],
    ['what is only called a PDF', 'a.pdf', { 'a.pdf': 'GIF89a' }],
    ['another kind of file', 'a.zip', { 'a.zip': 'PK' }],
  ])('a link to %s is its words, and named', (_, link, files) => {
    const { tests, problems } = read(link, files);
    expect(JSON.stringify(tests[0]?.rubrics)).toContain('the words');
    expect(JSON.stringify(tests[0]?.rubrics)).not.toContain('data-document');
    expect(problems.map(({ code }) => code)).toContain('element-set-aside');
    expect(problems.every(({ severity }) => severity === 'warning')).toBe(true);
  });
});

describe('style sheets of items and passages', () => {
  const read = (link: string, files: Record<string, string> = {}) =>
    readPackage(
      filesFrom({
        'imsmanifest.xml': `<manifest identifier="m"><resources><resource identifier="i" type="imsqti_item_xmlv3p0" href="items/i.xml"/></resources></manifest>`,
        'items/i.xml': `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="I">
          ${link}<qti-item-body><p class="a">Q</p></qti-item-body></qti-assessment-item>`,
        ...files,
      }),
    );
  test('their rules come with the item, one sheet after another, and the file is carried along', () => {
    const link = (href: string) => `<qti-stylesheet href="${href}" type="text/css"/>`;
    const { items, assets, problems } = read(link('../a.css') + link('b.css'), {
      'a.css': '.a { color: navy }',
      'items/b.css': '.a { position: fixed; text-align: end }',
    });
    expect(items.get('i')?.styles).toEqual([
      { selectors: ['.a'], declarations: [{ property: 'color', value: '#000080' }] },
      { selectors: ['.a'], declarations: [{ property: 'text-align', value: 'end' }] },
    ]);
    expect([...assets].sort()).toEqual(['a.css', 'items/b.css']);
    expect(problems.map(({ code, file, line }) => [code, file, line])).toEqual([
      ['style-set-aside', 'items/b.css', 1],
    ]);
  });
  test.each([
    ['is not in the package', '<qti-stylesheet href="none.css" type="text/css"/>'],
    ['is somewhere else', '<qti-stylesheet href="https://elsewhere.example/a.css" type="text/css"/>'],
    ['is for printing', '<qti-stylesheet href="../a.css" type="text/css" media="print"/>'],
    ['is in another language', '<qti-stylesheet href="../a.css" type="text/less"/>'],
  ])('one that %s is set aside, named, and the item is given all the same', (_, link) => {
    const { items, problems } = read(link, { 'a.css': '.a { color: navy }' });
    expect(items.get('i')?.styles).toEqual([]);
    expect(problems).toMatchObject([
      { severity: 'warning', code: 'stylesheet-set-aside', file: 'items/i.xml' },
    ]);
  });
});
