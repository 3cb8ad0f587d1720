import type english from '@messages/en.json';
import { deliverTest } from '@/core/deliver/deliver';
import type { DeliveredTest } from '@/core/item/delivered';
import { readPackage, type PackageFiles } from '@/core/qti/package';
import { drawForm } from '@/core/sitting/form';

const QTI = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const escaped = (text: string) => text.replace(/[&<>"]/g, (sign) => `&#${sign.codePointAt(0) ?? 0};`);

/** A passage and a question of every test’s kind, in the words of the interface: what My view is tried on. */
export function sampleTest({ myView }: typeof english): DeliveredTest {
  const { title, passage, question, choices } = myView.sample;
  const files: Readonly<Record<string, string>> = {
    'imsmanifest.xml': `<manifest identifier="my-view"><resources>
      <resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/>
      <resource identifier="i" type="imsqti_item_xmlv3p0" href="item.xml"/>
      <resource identifier="s" type="imsqti_stimulus_xmlv3p0" href="passage.xml"/></resources></manifest>`,
    'test.xml': `<qti-assessment-test ${QTI} identifier="my-view" title="${escaped(title)}"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous">
      <qti-assessment-section identifier="s" title="${escaped(title)}" visible="true"><qti-assessment-item-ref identifier="sample" href="item.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
    'passage.xml': `<qti-assessment-stimulus ${QTI} identifier="sample-passage" title="${escaped(title)}"><qti-stimulus-body>${passage
      .map((paragraph) => `<p>${escaped(paragraph)}</p>`)
      .join('')}</qti-stimulus-body></qti-assessment-stimulus>`,
    'item.xml': `<qti-assessment-item ${QTI} identifier="sample" title="${escaped(title)}" adaptive="false" time-dependent="false">
      <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"/>
      <qti-assessment-stimulus-ref identifier="sample-passage" href="passage.xml"/>
      <qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1"><qti-prompt>${escaped(question)}</qti-prompt>${choices
        .map((choice, i) => `<qti-simple-choice identifier="c${i}">${escaped(choice)}</qti-simple-choice>`)
        .join('')}</qti-choice-interaction></qti-item-body></qti-assessment-item>`,
  };
  const source: PackageFiles = {
    paths: new Set(Object.keys(files)),
    read: (path) => new TextEncoder().encode(files[path]),
  };
  const { tests, items, stimuli, problems } = readPackage(source);
  const [test] = tests;
  if (!test) throw new Error(`the sample cannot be read: ${JSON.stringify(problems)}`);
  return deliverTest({ test, items, stimuli }, drawForm(test, 'my-view'));
}
