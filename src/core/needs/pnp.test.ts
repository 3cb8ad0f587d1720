import fc from 'fast-check';
import { SCHEME_IDS } from '../view/schemes';
import { FACES, TEXT_STEPS } from '../view/text';
import { NO_NEEDS, type AccessNeeds } from '.';
import { needsFromPnp, pnpFrom } from './pnp';
import { pnpFromJson, pnpFromXml, PnpError, pnpToJson, pnpToXml } from './pnpFiles';

const hex = fc.stringMatching(/^#[\da-f]{6}$/);
const some = (...all: readonly string[]) => fc.subarray([...all]);
const anyNeeds: fc.Arbitrary<AccessNeeds> = fc.record({
  timeMultiplier: fc.constantFrom(1, 1.25, 1.5, 2),
  scheme: fc.constantFrom(...SCHEME_IDS),
  own: fc.option(fc.record({ ink: hex, sheet: hex })),
  inverted: fc.boolean(),
  magnification: fc.constantFrom(1, 1.25, 2, 4),
  text: fc.record({
    face: fc.constantFrom(...FACES),
    leading: fc.constantFrom(...TEXT_STEPS.leading),
    letters: fc.constantFrom(...TEXT_STEPS.letters),
    words: fc.constantFrom(...TEXT_STEPS.words),
    paragraphs: fc.constantFrom(...TEXT_STEPS.paragraphs),
    measure: fc.constantFrom(...TEXT_STEPS.measure),
  }),
  toolsOn: some('line-reader', 'eliminator', 'masking', 'one-switch'),
  toolsGiven: some('calculator', 'read-aloud', 'notes', 'ruler', 'line-reader'),
  supports: some('spoken', 'glossary-on-screen', 'simplified-language-portions', 'sign-language'),
  languages: fc.constant([]),
  chosen: fc.constant({}),
});
/** What is written is also given: reading aloud goes with spoken forms, the glossary with its cards. */
const asRead = (needs: AccessNeeds) => ({
  ...needs,
  toolsOn: [...needs.toolsOn].sort(),
  toolsGiven: [
    ...new Set([
      ...needs.toolsGiven,
      ...(needs.supports.includes('spoken') ? ['read-aloud'] : []),
      ...(needs.supports.includes('glossary-on-screen') ? ['glossary'] : []),
    ]),
  ].sort(),
  supports: [
    ...new Set([...needs.supports, ...(needs.toolsGiven.includes('read-aloud') ? ['spoken'] : [])]),
  ].sort(),
});

test('there and back again, in XML and in JSON, everything is as it was', () => {
  fc.assert(
    fc.property(anyNeeds, (needs) => {
      const profile = pnpFrom(needs);
      for (const again of [
        pnpFromXml(pnpToXml(profile)),
        pnpFromJson(JSON.parse(JSON.stringify(pnpToJson(profile)))),
      ]) {
        const read = needsFromPnp(again);
        expect(read.notOurs).toEqual([]);
        expect(asRead(read.needs)).toEqual(asRead(needs));
      }
    }),
  );
});
test('languages of translated words', () => {
  const needs = { ...NO_NEEDS, supports: ['keyword-translation'], languages: ['es', 'pl'] };
  const xml = pnpToXml(pnpFrom(needs));
  expect(xml).toContain(
    '<keyword-translation><language>es</language><language>pl</language></keyword-translation>',
  );
  expect(needsFromPnp(pnpFromXml(xml)).needs).toEqual(needs);
  expect(needsFromPnp(pnpFromJson(pnpToJson(pnpFrom(needs)))).needs).toEqual(needs);
});

/** A profile as another program would write it (names of the binding from memory). */
const ELSEWHERE = `<?xml version="1.0"?>
<access-for-all-pnp xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imsafa3p0pnp_v1p0">
  <additional-testing-time><time-multiplier>1.5</time-multiplier></additional-testing-time>
  <magnification><all-content><zoom-amount>2.0</zoom-amount></all-content></magnification>
  <text-appearance><background-color>#000000</background-color><font-color>#ffff00</font-color><font-size>24</font-size></text-appearance>
  <braille><braille-grade>contracted</braille-grade></braille>
  <hazard-avoidance>flashing</hazard-avoidance>
  <activate-at-initialization-set><line-reader/><spoken/></activate-at-initialization-set>
  <activate-as-option-set><calculator-on-screen/><peer-interaction/></activate-as-option-set>
  <prohibited-set><dictionary/></prohibited-set>
</access-for-all-pnp>`;
test('a profile from elsewhere: what we do is on, what we do not is named by where it stands', () => {
  const { needs, notOurs } = needsFromPnp(pnpFromXml(ELSEWHERE));
  expect(needs).toMatchObject({
    timeMultiplier: 1.5,
    magnification: 2,
    own: { ink: '#ffff00', sheet: '#000000' },
    toolsOn: ['line-reader', 'read-aloud'],
    toolsGiven: ['line-reader', 'read-aloud', 'calculator'],
    supports: ['spoken'],
  });
  expect(notOurs).toEqual([
    'text-appearance/font-size (24)',
    'braille/braille-grade (contracted)',
    'hazard-avoidance (flashing)',
    'activate-as-option-set/peer-interaction',
    'prohibited-set/dictionary',
  ]);
});
test('a value our settings cannot hold is named, never rounded', () => {
  const read = needsFromPnp(
    pnpFromJson({
      additionalTestingTime: { timeMultiplier: 1.7 },
      magnification: { allContent: { zoomAmount: 12 } },
    }),
  );
  expect(read.needs).toEqual(NO_NEEDS);
  expect(read.notOurs).toEqual([
    'additional-testing-time/time-multiplier (1.7)',
    'magnification/all-content/zoom-amount (12)',
  ]);
});
test('attributes, and features of a set with something inside, are named too', () => {
  const xml = ELSEWHERE.replace(
    '<spoken/>',
    '<spoken><reading-type>screen-reader</reading-type></spoken>',
  ).replace('<line-reader/>', '<line-reader highlight="blue"/>');
  const named = [
    'activate-at-initialization-set/line-reader/@highlight (blue)',
    'activate-at-initialization-set/spoken/reading-type (screen-reader)',
  ];
  expect(needsFromPnp(pnpFromXml(xml)).notOurs).toEqual(expect.arrayContaining(named));
  const json = { activateAsOptionSet: ['spoken', { lineReader: { highlight: 'blue' } }, 7] };
  expect(needsFromPnp(pnpFromJson(json))).toMatchObject({
    needs: { toolsGiven: ['read-aloud', 'line-reader'] },
    notOurs: ['activate-as-option-set/line-reader/highlight (blue)', 'activate-as-option-set/7'],
  });
});
test('a feature called like something every object has is no feature of ours', () => {
  const { needs, notOurs } = needsFromPnp(
    pnpFromJson({ constructor: true, activateAsOptionSet: ['toString'] }),
  );
  expect(needs).toEqual(NO_NEEDS);
  expect(notOurs).toEqual(['constructor', 'activate-as-option-set/to-string']);
});
test('what is no profile is refused', () => {
  expect(() => pnpFromXml('<html/>')).toThrow(PnpError);
  expect(() => pnpFromJson(['spoken'])).toThrow(PnpError);
  expect(needsFromPnp(pnpFromJson({})).needs).toEqual(NO_NEEDS);
});
