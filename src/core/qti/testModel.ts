import { own } from '../own';
import type { Reporter } from '../xml/problem';
import { elementsOf, type XmlElement } from '../xml/xml';

/** What becomes of an attribute: it is honoured by the reader, or set aside and named in the report. */
type Treatment = 'honoured' | 'set-aside';
interface ElementModel {
  readonly attributes: Readonly<Record<string, Treatment>>;
  /** Elements it may hold; none named = its content is read by another reader. */
  readonly children: readonly string[] | 'content' | 'rules' | 'expression';
}

const RULED = ['qti-pre-condition', 'qti-branch-rule', 'qti-item-session-control', 'qti-time-limits'];

/** The assessment test model of QTI 3.0 (information model, "Assessment test"; from memory), and what is done with each part of it. */
export const TEST_MODEL: Readonly<Record<string, ElementModel>> = {
  'qti-assessment-test': {
    attributes: {
      identifier: 'honoured',
      title: 'honoured',
      'tool-name': 'honoured',
      'tool-version': 'honoured',
      class: 'set-aside',
      'xml:lang': 'honoured',
    },
    children: [
      'qti-context-declaration',
      'qti-outcome-declaration',
      'qti-time-limits',
      'qti-stylesheet',
      'qti-rubric-block',
      'qti-test-part',
      'qti-outcome-processing',
      'qti-test-feedback',
    ],
  },
  'qti-test-part': {
    attributes: {
      identifier: 'honoured',
      title: 'honoured',
      class: 'set-aside',
      'navigation-mode': 'honoured',
      'submission-mode': 'honoured',
    },
    children: [
      ...RULED,
      'qti-rubric-block',
      'qti-assessment-section',
      'qti-assessment-section-ref',
      'qti-test-feedback',
    ],
  },
  'qti-assessment-section': {
    attributes: {
      identifier: 'honoured',
      required: 'honoured',
      fixed: 'honoured',
      title: 'honoured',
      class: 'set-aside',
      visible: 'honoured',
      'keep-together': 'honoured',
      'xml:lang': 'set-aside',
    },
    children: [
      ...RULED,
      'qti-selection',
      'qti-ordering',
      'qti-rubric-block',
      'qti-assessment-section',
      'qti-assessment-section-ref',
      'qti-assessment-item-ref',
    ],
  },
  'qti-assessment-section-ref': {
    attributes: {
      identifier: 'honoured',
      href: 'honoured',
      required: 'honoured',
      fixed: 'honoured',
      class: 'set-aside',
      category: 'set-aside',
    },
    children: RULED,
  },
  'qti-assessment-item-ref': {
    attributes: {
      identifier: 'honoured',
      href: 'honoured',
      category: 'honoured',
      required: 'honoured',
      fixed: 'honoured',
      class: 'set-aside',
    },
    children: [...RULED, 'qti-variable-mapping', 'qti-weight', 'qti-template-default'],
  },
  'qti-item-session-control': {
    attributes: {
      'max-attempts': 'honoured',
      'show-feedback': 'honoured',
      'allow-review': 'honoured',
      'show-solution': 'honoured',
      'allow-comment': 'set-aside',
      'allow-skipping': 'honoured',
      'validate-responses': 'honoured',
    },
    children: [],
  },
  'qti-time-limits': {
    attributes: { 'min-time': 'honoured', 'max-time': 'honoured', 'allow-late-submission': 'honoured' },
    children: [],
  },
  'qti-selection': { attributes: { select: 'honoured', 'with-replacement': 'honoured' }, children: [] },
  'qti-ordering': { attributes: { shuffle: 'honoured' }, children: [] },
  'qti-weight': { attributes: { identifier: 'honoured', value: 'honoured' }, children: [] },
  'qti-variable-mapping': {
    attributes: { 'source-identifier': 'honoured', 'target-identifier': 'honoured' },
    children: [],
  },
  'qti-template-default': { attributes: { 'template-identifier': 'honoured' }, children: 'expression' },
  'qti-pre-condition': { attributes: {}, children: 'expression' },
  'qti-branch-rule': { attributes: { target: 'honoured' }, children: 'expression' },
  'qti-rubric-block': {
    attributes: {
      id: 'set-aside',
      use: 'honoured',
      view: 'honoured',
      class: 'set-aside',
      'xml:lang': 'set-aside',
    },
    children: 'content',
  },
  'qti-test-feedback': {
    attributes: {
      access: 'honoured',
      'outcome-identifier': 'honoured',
      'show-hide': 'honoured',
      identifier: 'honoured',
      title: 'honoured',
    },
    children: 'content',
  },
  'qti-stylesheet': {
    attributes: { href: 'set-aside', type: 'set-aside', media: 'set-aside', title: 'set-aside' },
    children: [],
  },
  'qti-context-declaration': {
    attributes: { identifier: 'honoured', cardinality: 'honoured', 'base-type': 'honoured' },
    children: 'content',
  },
  'qti-outcome-declaration': {
    attributes: {
      identifier: 'honoured',
      cardinality: 'honoured',
      'base-type': 'honoured',
      view: 'set-aside',
      interpretation: 'set-aside',
      'long-interpretation': 'set-aside',
      'normal-maximum': 'honoured',
      'normal-minimum': 'honoured',
      'mastery-value': 'honoured',
      'external-scored': 'honoured',
      'variable-identifier-ref': 'set-aside',
    },
    children: 'content',
  },
  'qti-outcome-processing': { attributes: {}, children: 'rules' },
};

/** What is set aside and says here what would be done anyway. */
const AS_IT_IS: Readonly<Record<string, string>> = { 'allow-comment': 'false' };

/**
 * Names every attribute and element of a test file that is not honoured, with its line: what the standard defines and is set
 * aside, and what it does not know. What belongs to another reader (content, expressions, rules) is left to that one.
 */
export function reportTestModel(root: XmlElement, report: Reporter): void {
  const model = own(TEST_MODEL, root.name);
  if (!model) return;
  for (const [name, value] of Object.entries(root.attributes)) {
    const treatment = own(model.attributes, name);
    if (treatment === 'honoured' || own(AS_IT_IS, name) === value) continue;
    if (name.startsWith('data-') || name.startsWith('xsi:') || name.startsWith('xml:base')) continue;
    report.warn(
      'attribute-set-aside',
      root.line,
      `the attribute ${name} of <${root.name}> ${treatment ? 'is set aside' : 'is not one of the standard’s and is set aside'}`,
    );
  }
  if (root.name === 'qti-stylesheet') {
    report.warn('stylesheet-set-aside', root.line, 'the style sheet of the test is set aside');
    return;
  }
  if (typeof model.children === 'string') return;
  for (const child of elementsOf(root)) {
    if (!model.children.includes(child.name))
      report.error(
        'unknown-element',
        child.line,
        `<${child.name}> does not belong into <${root.name}>: the test might mean something else with it`,
      );
    else reportTestModel(child, report);
  }
}
