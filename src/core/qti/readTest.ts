import {
  DEFAULT_SESSION_CONTROL,
  type ItemRef,
  type ItemSessionControl,
  type Section,
  type Test,
  type TestPart,
  type TimeLimits,
} from '../item/test';
import type { RubricBlock } from '../item/item';
import type { Reporter } from './problem';
import { ContentReader } from './readContent';
import { readOutcomeDeclaration } from './readDeclarations';
import { readRules } from './readProgram';
import { booleanAttribute, childOf, elementsOf, numberAttribute, type XmlElement } from './xml';

export interface TestContext {
  readonly report: Reporter;
  asset(href: string, line: number): string | null;
  /** The identifier of the item at a path written in the test; null (and reported) when it is not in the package. */
  item(href: string, line: number): string | null;
  /** The root of a section file a test refers to. */
  section(href: string, line: number): XmlElement | null;
}

function readTimeLimits(element: XmlElement): TimeLimits {
  const limits = childOf(element, 'qti-time-limits');
  const seconds = (name: string) => {
    const value = limits ? numberAttribute(limits, name, NaN) : NaN;
    return Number.isNaN(value) ? null : value;
  };
  return { minimum: seconds('min-time'), maximum: seconds('max-time') };
}

function readControl(element: XmlElement, inherited: ItemSessionControl): ItemSessionControl {
  const control = childOf(element, 'qti-item-session-control');
  if (!control) return inherited;
  return {
    maxAttempts: numberAttribute(control, 'max-attempts', inherited.maxAttempts),
    showFeedback: booleanAttribute(control, 'show-feedback', inherited.showFeedback),
    allowReview: booleanAttribute(control, 'allow-review', inherited.allowReview),
    showSolution: booleanAttribute(control, 'show-solution', inherited.showSolution),
    allowSkipping: booleanAttribute(control, 'allow-skipping', inherited.allowSkipping),
    validateResponses: booleanAttribute(control, 'validate-responses', inherited.validateResponses),
  };
}

/** Reads one test file. */
class TestReader {
  private readonly content: ContentReader;
  constructor(private readonly context: TestContext) {
    this.content = new ContentReader({
      report: context.report,
      shapes: new Map(),
      asset: (href, line) => context.asset(href, line),
    });
  }

  rubrics(element: XmlElement): RubricBlock[] {
    return elementsOf(element, 'qti-rubric-block').map((block) => ({
      views: (block.attributes.view ?? 'candidate').split(/\s+/),
      use: block.attributes.use ?? null,
      content: this.content.children(block),
    }));
  }

  part(element: XmlElement): TestPart {
    const control = readControl(element, DEFAULT_SESSION_CONTROL);
    this.refuseRules(element);
    return {
      identifier: element.attributes.identifier ?? '',
      title: element.attributes.title ?? '',
      navigation: element.attributes['navigation-mode'] === 'linear' ? 'linear' : 'nonlinear',
      submission: element.attributes['submission-mode'] === 'individual' ? 'individual' : 'simultaneous',
      timeLimits: readTimeLimits(element),
      sections: this.children(element, control).filter((child): child is Section => child.kind === 'section'),
    };
  }

  private children(element: XmlElement, control: ItemSessionControl): (Section | ItemRef)[] {
    return elementsOf(element).flatMap((child): (Section | ItemRef)[] => {
      if (child.name === 'qti-assessment-section') return [this.section(child, control)];
      if (child.name === 'qti-assessment-section-ref') {
        const root = this.context.section(child.attributes.href ?? '', child.line);
        return root ? [this.section(root, control)] : [];
      }
      return child.name === 'qti-assessment-item-ref' ? this.itemRef(child, control) : [];
    });
  }

  private section(element: XmlElement, inherited: ItemSessionControl): Section {
    const selection = childOf(element, 'qti-selection');
    const ordering = childOf(element, 'qti-ordering');
    this.refuseRules(element);
    return {
      kind: 'section',
      identifier: element.attributes.identifier ?? '',
      title: element.attributes.title ?? '',
      visible: booleanAttribute(element, 'visible', true),
      keepTogether: booleanAttribute(element, 'keep-together', true),
      required: booleanAttribute(element, 'required', false),
      fixed: booleanAttribute(element, 'fixed', false),
      rubrics: this.rubrics(element),
      timeLimits: readTimeLimits(element),
      selection: selection
        ? {
            select: numberAttribute(selection, 'select', 0),
            withReplacement: booleanAttribute(selection, 'with-replacement', false),
          }
        : null,
      shuffle: ordering ? booleanAttribute(ordering, 'shuffle', false) : false,
      children: this.children(element, readControl(element, inherited)),
    };
  }

  private itemRef(element: XmlElement, control: ItemSessionControl): ItemRef[] {
    const item = this.context.item(element.attributes.href ?? '', element.line);
    this.refuseRules(element);
    if (item === null) return [];
    const weights = elementsOf(element, 'qti-weight').map(
      (one) => [one.attributes.identifier ?? '', numberAttribute(one, 'value', 1)] as const,
    );
    return [
      {
        kind: 'item',
        identifier: element.attributes.identifier ?? item,
        item,
        categories: element.attributes.category?.split(/\s+/).filter(Boolean) ?? [],
        weights: Object.fromEntries(weights),
        required: booleanAttribute(element, 'required', false),
        fixed: booleanAttribute(element, 'fixed', false),
        timeLimits: readTimeLimits(element),
        sessionControl: readControl(element, control),
      },
    ];
  }

  /** A path that depends on answers is not taken yet; showing all of it would be another test. */
  private refuseRules(element: XmlElement): void {
    for (const name of ['qti-pre-condition', 'qti-branch-rule']) {
      const rule = childOf(element, name);
      if (rule) this.context.report.error('unsupported-element', rule.line, `<${name}> is not supported yet`);
    }
  }
}

/** Reads a `qti-assessment-test`. */
export function readTest(root: XmlElement, context: TestContext): Test | null {
  const { report } = context;
  const identifier = root.attributes.identifier ?? '';
  if (root.name !== 'qti-assessment-test' || identifier === '') {
    report.error(
      'not-a-test',
      root.line,
      'the file does not begin with a qti-assessment-test that has an identifier',
    );
    return null;
  }
  const reader = new TestReader(context);
  const outcomes = elementsOf(root, 'qti-outcome-declaration').flatMap(
    (one) => readOutcomeDeclaration(one, report) ?? [],
  );
  const processing = childOf(root, 'qti-outcome-processing');
  const parts = elementsOf(root, 'qti-test-part').map((part) => reader.part(part));
  if (parts.length === 0) report.error('no-parts', root.line, 'the test has no qti-test-part');
  const feedback = childOf(root, 'qti-test-feedback');
  if (feedback) report.warn('feedback-set-aside', feedback.line, 'test feedback is not shown');
  return {
    identifier,
    title: root.attributes.title ?? identifier,
    timeLimits: readTimeLimits(root),
    outcomes,
    parts,
    rubrics: reader.rubrics(root),
    outcomeProcessing: processing
      ? readRules(
          elementsOf(processing),
          {
            responses: new Set(),
            outcomes: new Set(outcomes.map((one) => one.identifier)),
            templates: new Set(),
            contexts: new Set(),
            test: true,
          },
          report,
        )
      : [],
  };
}
