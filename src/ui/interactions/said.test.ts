import { readFileSync } from 'node:fs';
import { TextDecoder, TextEncoder } from 'node:util';
import english from '@messages/en.json';
import { createTranslator } from 'use-intl/core';
import { drawingText, type Mark } from '@/core/interactions/drawing/marks';
import { saidMaths } from '@/core/interactions/saidMaths';
import type { RawResponse } from '@/core/content/response';
import { readItem } from '@/core/qti/readItem';
import { reporterFor } from '@/core/xml/problem';
import { parseXml } from '@/core/xml/xml';
import { sayer } from './said';

Object.assign(globalThis, { TextDecoder, TextEncoder });
const say = sayer(createTranslator({ locale: 'en', messages: english, namespace: 'said' }));

/** A question of the demo test "Every kind of question". */
function item(name: string) {
  const read = readItem(parseXml(readFileSync(`content/every-kind-of-question/items/${name}.xml`, 'utf8')), {
    report: reporterFor(name, []),
    asset: (href) => href,
    pdf: (href) => href,
    stimulus: (_href, identifier) => identifier,
    page: () => null,
    source: () => null,
    document: () => null,
    styles: () => [],
  });
  if (!read) throw new Error(`${name} is no item`);
  return read;
}

const pen = { colour: 'blue', width: 2 } as const;
const marks: readonly Mark[] = [
  { kind: 'line', from: [10, 10], to: [50, 50], ...pen },
  { kind: 'text', at: [240, 120], text: 'pier', colour: 'ink', width: 2 },
];

/** What every kind of interaction says of an answer, word for word. */
test.each<[name: string, responses: Readonly<Record<string, RawResponse>>, words: string]>([
  ['choice-1', { RESPONSE: 'B' }, '10 times'],
  ['choice-2', { RESPONSE: ['C', 'A'] }, 'light; cold water'],
  ['choice-2', {}, 'no answer yet'],
  ['inline-choice-2', { R2: 'A' }, 'menu 1: no answer yet; menu 2: can count them'],
  ['text-entry-1', { RESPONSE: '37.5' }, '“37.5”'],
  ['extended-text-1', { RESPONSE: '<p><strong>Storm</strong> at nine.</p>' }, '“Storm at nine.”'],
  ['gap-match-1', { RESPONSE: ['K G1', 'R G3'] }, 'kelp in box 1; rock in box 3'],
  ['match-1', { RESPONSE: ['A X', 'C Y'] }, 'lamp with Gannet Rock; school with Low Island'],
  ['match-2', { RESPONSE: ['B F'] }, '0.25 is more than 0.3 with Not true'],
  ['order-3', { RESPONSE: ['C', 'A'] }, '1: read the warning aloud; 2: tie the boats twice'],
  ['associate-1', { RESPONSE: ['A D', 'B E'] }, '1.5 with 3; 2.25 with 4.5'],
  ['hottext-1', { RESPONSE: 'B' }, 'climbs'],
  ['hotspot-2', { RESPONSE: ['OUT', 'GAN'] }, 'Outer Skerry; Gannet Rock'],
  ['select-point-1', { RESPONSE: '380 70' }, 'a point: upper right, 79% across, 22% down'],
  ['graphic-order-2', { RESPONSE: ['OUT', 'GAN'] }, '1: Outer Skerry; 2: Gannet Rock'],
  ['graphic-associate-1', { RESPONSE: ['HAR LOW'] }, 'the harbor with Low Island'],
  ['graphic-gap-match-1', { RESPONSE: ['C S3'] }, 'Low Island in box in the middle'],
  [
    'position-object-2',
    { RESPONSE: ['245 60', '60 200'], BOAT: '245 260' },
    'answer 1: buoy: top, 51% across, 19% down; buoy: left, 13% across, 63% down; answer 2: boat: bottom, 51% across, 81% down',
  ],
  ['slider-1', { RESPONSE: '8' }, '8 feet'],
  ['slider-2', { RESPONSE: '0.25' }, '0.25'],
  [
    'drawing-1',
    { RESPONSE: drawingText(marks, 480, 320, 'plan') },
    'drawing: line in blue, upper left, 6% across, 13% down; words “pier”, middle, 50% across, 50% down',
  ],
  ['upload-2', { RESPONSE: 'data:text/plain;name=log.txt;base64,dGlkZQ==' }, 'file attached: log.txt'],
  ['media-1', { PLAYS: '2', RESPONSE: 'C' }, 'Part 1: played 2 times. Part 2: three'],
  ['inline-choice-2', { R1: 'B', R2: 'A' }, 'menu 1: after; menu 2: can count them'],
  ['media-1', {}, 'Part 1: not played yet. Part 2: no answer yet'],
  ['end-attempt-1', { RESPONSE: 'B', HINT: 'true' }, '07:12'],
  ['equation-1', { RESPONSE: '\\frac{1}{6}' }, '1 over 6'],
  [
    'equation-3',
    { RESPONSE: '\\begin{aligned}3x+2&=11\\\\\\text{so}\\\\x&=3\\end{aligned}' },
    'line 1: 3 x plus 2 equals 11; line 2: so; line 3: x equals 3',
  ],
  ['number-line-1', { RESPONSE: ['-1.5', '0.75'] }, '−1.5; 0.75'],
  ['number-line-3', { RESPONSE: ['1.6666666666666667'] }, '1 2/3'],
  [
    'number-line-2',
    { RESPONSE: '[-1,2)U(3,inf)' },
    'from −1, included, to 2, not included; from 3, not included, on without an end',
  ],
  ['number-line-2', { RESPONSE: 'UNFINISHED(2)' }, 'a part that starts at 2 and has no end yet'],
  ['coordinate-plane-1', { RESPONSE: ['LINE(0 1,2 5)'] }, 'Line through (0, 1) and (2, 5)'],
  [
    'coordinate-plane-2',
    { RESPONSE: ['POLYGON(0 0,4 0,4 3) UNFINISHED(polygon 1 1,2 2)'] },
    'Shape with 3 corners: (0, 0), (4, 0), (4, 3); Shape, not closed yet: (1, 1), (2, 2)',
  ],
  [
    'coordinate-plane-3',
    { RESPONSE: ['HALFPLANE(0 2,1 2;0 0;open)'] },
    'Everything below the line through (0, 2) and (1, 2), edge not included',
  ],
  ['partition-1', { RESPONSE: ['true', 'true', 'true', 'false'] }, '3 of 4 parts shaded'],
  ['tally-plot-1', { RESPONSE: ['2', '0', '3', '1'] }, 'Mon: 2; Tue: 0; Wed: 3; Thu: 1'],
  ['cell-grid-2', { RESPONSE: ['r1c1', 'r1c2', 'r1c4', 'r3c2'] }, 'row 1: columns 1–2, 4; row 3: column 2'],
])('%s %#', (name, responses, words) => {
  expect(say.item(item(name), responses)).toBe(words);
});

/** Numbers of an answer as the question's language writes them, whatever the page's. */
test.each<[name: string, responses: Readonly<Record<string, RawResponse>>, words: string]>([
  ['slider-2', { RESPONSE: '0.25' }, '0,25'],
  ['number-line-1', { RESPONSE: ['-1.5', '0.75'] }, '−1,5; 0,75'],
  ['number-line-2', { RESPONSE: '[-1.5,2)' }, 'from −1,5, included, to 2, not included'],
  ['coordinate-plane-1', { RESPONSE: ['LINE(0 1.5,2 5)'] }, 'Line through (0; 1,5) and (2; 5)'],
  ['tally-plot-1', { RESPONSE: ['2.5', '0', '3', '1'] }, 'Mon: 2,5; Tue: 0; Wed: 3; Thu: 1'],
  ['equation-1', { RESPONSE: '2.5x' }, '2,5 x'],
  ['choice-1', { RESPONSE: 'B' }, '10 times'],
])('%s in a language with a comma before the tenths', (name, responses, words) => {
  expect(say.item({ ...item(name), language: 'de' }, responses)).toBe(words);
});

/** Written maths aloud, with the ends of what could be heard otherwise. */
test.each([
  ['3\\frac{1}{2}', '3 and 1 over 2'],
  ['x^2+3x=-5', 'x squared plus 3 x equals negative 5'],
  ['\\sqrt{8}', 'square root of 8'],
  ['\\sqrt{x+1}-2', 'square root of x plus 1, end of root minus 2'],
  ['2\\pi r', '2 pi r'],
  ['x\\ge 3', 'x is at least 3'],
  ['\\frac{x+1}{2}', 'fraction, x plus 1 over 2, end of fraction'],
  ['x^{10}', 'x to the power 10'],
  ['45^{\\circ}', '45 degrees'],
  ['5\\times 3', '5 times 3'],
  ['\\left(x+1\\right)^3', 'bracket x plus 1 close bracket cubed'],
  ['12:4', '12 divided by 4'],
  ['1.50', '1.5'],
  ['3.1415927', '3.1415927'],
  ['\\sin\\left(30\\right)', 'sine of 30'],
  ['\\frac{1}{\\placeholder{}}+', '1/…+'],
])('%s', (latex, words) => {
  expect(say.phrases([saidMaths(latex)])).toBe(words);
});

test('a part with one answer says it without a number', () => {
  const text = `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="two" title="Two">
    <qti-response-declaration identifier="A" cardinality="single" base-type="string"/>
    <qti-response-declaration identifier="B" cardinality="single" base-type="string"/>
    <qti-item-body><p>Part A: how long? <qti-text-entry-interaction response-identifier="A"/></p>
    <p>Part B: how wide? <qti-text-entry-interaction response-identifier="B"/></p></qti-item-body></qti-assessment-item>`;
  const two = readItem(parseXml(text), {
    report: reporterFor('two', []),
    asset: (href) => href,
    pdf: (href) => href,
    stimulus: (_href, identifier) => identifier,
    page: () => null,
    source: () => null,
    document: () => null,
    styles: () => [],
  });
  if (!two) throw new Error('no item');
  expect(say.item(two, { A: '3', B: null })).toBe('Part A: “3”. Part B: no answer yet');
});
