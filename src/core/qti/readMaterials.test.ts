import { parseXml } from '../xml/xml';
import { readMaterials } from './readMaterials';

/** What is read of companion materials, and what the report says of them, by line. */
function read(inside: string) {
  const said: string[] = [];
  const report = {
    error: (code: string, line: number, message: string) => said.push(`${code} ${line} ${message}`),
    warn: (code: string, line: number, message: string) => said.push(`${code} ${line} ${message}`),
  };
  const root = parseXml(
    `<qti-assessment-item><qti-companion-materials-info>${inside}</qti-companion-materials-info></qti-assessment-item>`,
  );
  const materials = readMaterials(root, {
    report,
    pdf: (href) => href.replace('../', ''),
    page: (href) => (href === 'none.html' ? null : { path: href, title: 'Its own title' }),
  });
  return { ...materials, said };
}
const ruler = (system: 'si' | 'us', inside: string) =>
  read(`<qti-rule><qti-rule-system-${system}>${inside}</qti-rule-system-${system}></qti-rule>`);

test('an item without companion materials has none', () => {
  const root = parseXml('<qti-assessment-item/>');
  expect(readMaterials(root, {} as Parameters<typeof readMaterials>[1])).toEqual({
    calculator: null,
    rulers: [],
    protractor: null,
    sheets: [],
    physical: [],
  });
});
test('calculators by their kind; one of an unknown kind is named', () => {
  const one = (kind: string) =>
    read(`<qti-calculator><qti-calculator-type>${kind}</qti-calculator-type></qti-calculator>`);
  expect(one('scientific')).toMatchObject({ calculator: 'scientific', said: [] });
  expect(one('abacus').calculator).toBeNull();
  expect(one('abacus').said[0]).toMatch(/"abacus" is no kind of calculator/);
  expect(one('graphing')).toMatchObject({ calculator: 'graphing', said: [] });
});
test('rulers in the units they are given in', () => {
  const millimeters = ruler(
    'si',
    `<qti-minimum-length unit="Centimeter">12</qti-minimum-length>
     <qti-minor-increment unit="Millimeter">1</qti-minor-increment>
     <qti-major-increment unit="Centimeter">1</qti-major-increment>`,
  );
  expect(millimeters.said).toEqual([]);
  expect(millimeters.rulers).toEqual([{ unit: 'cm', length: 12, minor: 0.1, major: 1 }]);
  const feet = ruler(
    'us',
    `<qti-minimum-length unit="Foot">1</qti-minimum-length><qti-minor-increment unit="Inch">0.25</qti-minor-increment>`,
  );
  expect(feet.rulers).toEqual([{ unit: 'in', length: 12, minor: 0.25, major: 1 }]);
});
test.each([
  [
    'a unit of the other system',
    'si',
    '<qti-minor-increment unit="Inch">1</qti-minor-increment>',
    /no length of its system/,
  ],
  ['no number', 'us', '<qti-minimum-length unit="Inch">long</qti-minimum-length>', /no length of its system/],
  [
    'marks wider than their numbers',
    'us',
    '<qti-minor-increment unit="Inch">2</qti-minor-increment>',
    /cannot be drawn/,
  ],
] as const)('a ruler with %s is set aside by name', (_name, system, inside, words) => {
  const { rulers, said } = ruler(system, inside);
  expect(rulers).toEqual([]);
  expect(said[0]).toMatch(words);
});
test('a ruler longer than a screen is as long as a screen can hold', () => {
  const { rulers, said } = ruler('us', '<qti-minimum-length unit="Yard">3</qti-minimum-length>');
  expect([rulers, said[0]]).toEqual([[], expect.stringMatching(/no length/)]);
  const long = ruler('us', '<qti-minimum-length unit="Foot">9</qti-minimum-length>');
  expect(long.rulers[0]?.length).toBe(40);
  expect(long.said[0]).toMatch(/40 in long/);
});
test('protractors in degrees or radians; what cannot be drawn is named', () => {
  const one = (inside: string) =>
    read(`<qti-protractor><qti-increment-us>${inside}</qti-increment-us></qti-protractor>`);
  expect(one('<qti-minor-increment unit="Degree">5</qti-minor-increment>').protractor).toEqual({
    minor: 5,
    major: 10,
  });
  expect(one('<qti-minor-increment unit="Radian">0.1</qti-minor-increment>').protractor?.minor).toBeCloseTo(
    5.73,
    2,
  );
  const none = one('<qti-minor-increment unit="Degree">0</qti-minor-increment>');
  expect(none.protractor).toEqual({ minor: 1, major: 10 });
  expect(none.said[0]).toMatch(/no angle that can be drawn/);
});
test('what is not on the screen is kept', () => {
  const { physical, said } = read('<qti-physical-material>paper</qti-physical-material>');
  expect(physical).toEqual(['paper']);
  expect(said).toEqual([]);
});

test('sheets to look things up in: PDFs and pages, by their type or their name, each with a title', () => {
  const { sheets, said } = read(`
    <qti-digital-material label="Formulas"><qti-file-href mime-type="application/pdf">../a.bin</qti-file-href></qti-digital-material>
    <qti-digital-material><qti-file-href mime-type="text/html">b.html</qti-file-href></qti-digital-material>
    <qti-digital-material href="c.PDF"><qti-description>Map</qti-description></qti-digital-material>
    <qti-digital-material href="d/e.pdf"/>`);
  expect(said).toEqual([]);
  expect(sheets).toEqual([
    { kind: 'pdf', path: 'a.bin', title: 'Formulas' },
    { kind: 'page', path: 'b.html', title: 'Its own title' },
    { kind: 'pdf', path: 'c.PDF', title: 'Map' },
    { kind: 'pdf', path: 'd/e.pdf', title: 'e.pdf' },
  ]);
});
test('a material of another kind, without a file, or with an icon is named; one that is not there is left out', () => {
  const { sheets, said } = read(`
    <qti-digital-material label="Film"><qti-file-href mime-type="video/mp4">a.mp4</qti-file-href></qti-digital-material>
    <qti-digital-material label="Nothing"/>
    <qti-digital-material href="none.html"/>
    <qti-digital-material href="a.pdf"><qti-resource-icon>i.png</qti-resource-icon></qti-digital-material>`);
  expect(sheets.map(({ path }) => path)).toEqual(['a.pdf']);
  expect(said).toHaveLength(3);
  expect(said.join()).toMatch(/"Film" is set aside.*"Nothing" is set aside.*icon/);
});
