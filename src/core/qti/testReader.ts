import {
  DEFAULT_SESSION_CONTROL,
  NO_LIMITS,
  type BranchRule,
  type ItemRef,
  type ItemSessionControl,
  type Ruled,
  type Section,
  type TestFeedback,
  type TestPart,
  type TimeLimits,
} from '../item/test';
import type { RubricBlock } from '../item/item';
import { StrictAttributes } from './attributes';
import type { Reporter } from '../xml/problem';
import { ContentReader } from './readContent';
import { readExpression, type Names } from './readProgram';
import { reportHeldBack } from './heldBack';
import { reportTestModel } from './testModel';
import { childOf, elementsOf, type XmlElement } from '../xml/xml';

export interface TestContext {
  readonly report: Reporter;
  asset(href: string, line: number): string | null;
  /** The path of a page or a PDF that a link leads to; null (and reported) when it is not there or cannot be read. */
  document(href: string, line: number): string | null;
  /** The identifier of the item at a path written in the test; null (and reported) when it is not in the package. */
  item(href: string, line: number): string | null;
  /**
   * The section in a file a test refers to, with the context to read it in (its own file's); null (and reported) when it is
   * not in the package.
   */
  section(href: string, line: number): { readonly root: XmlElement; readonly context: TestContext } | null;
}

/** Sections in sections, in files of their own: deeper than this one contains itself. */
const MAX_DEPTH = 12;

/** Reads the parts of one test file, or of a section file it refers to. */
export class TestReader {
  private readonly content: ContentReader;
  constructor(
    private readonly context: TestContext,
    private readonly names: Names,
    private readonly depth = 0,
  ) {
    this.content = new ContentReader({
      report: context.report,
      shapes: new Map(),
      names: names.outcomes,
      asset: (href, line) => context.asset(href, line),
      document: (href, line) => context.document(href, line),
    });
  }

  private get report(): Reporter {
    return this.context.report;
  }
  private strict(element: XmlElement): StrictAttributes {
    return new StrictAttributes(element, this.report);
  }

  timeLimits(element: XmlElement): TimeLimits {
    const limits = childOf(element, 'qti-time-limits');
    if (!limits) return NO_LIMITS;
    const strict = this.strict(limits);
    const [minimum, maximum] = [
      strict.number('min-time', { least: 0 }),
      strict.number('max-time', { least: 0 }),
    ];
    if (minimum !== null && maximum !== null && minimum > maximum)
      this.report.error('bad-limits', limits.line, `min-time ${minimum} is more than max-time ${maximum}`);
    return { minimum, maximum, allowLateSubmission: strict.boolean('allow-late-submission', false) };
  }

  control(element: XmlElement, inherited: ItemSessionControl): ItemSessionControl {
    const control = childOf(element, 'qti-item-session-control');
    if (!control) return inherited;
    const strict = this.strict(control);
    return {
      maxAttempts: strict.number('max-attempts', { least: 0, whole: true }) ?? inherited.maxAttempts,
      showFeedback: strict.boolean('show-feedback', inherited.showFeedback),
      allowReview: strict.boolean('allow-review', inherited.allowReview),
      showSolution: strict.boolean('show-solution', inherited.showSolution),
      allowSkipping: strict.boolean('allow-skipping', inherited.allowSkipping),
      validateResponses: strict.boolean('validate-responses', inherited.validateResponses),
    };
  }

  /** What holds for everything inside an element: its own word, and else what held around it. */
  inherit(element: XmlElement, around: Inherited): Inherited {
    const off = element.attributes['data-tools-off']?.split(/\s+/).filter(Boolean) ?? [];
    return {
      control: this.control(element, around.control),
      toolsOff: [...new Set([...around.toolsOff, ...off])],
    };
  }

  rubrics(element: XmlElement): RubricBlock[] {
    return elementsOf(element, 'qti-rubric-block').map((block) => this.content.rubric(block));
  }

  rules(element: XmlElement): Ruled {
    const expressionIn = (rule: XmlElement) => {
      const [only, ...more] = elementsOf(rule);
      if (!only || more.length > 0) {
        this.report.error('bad-rule', rule.line, `<${rule.name}> takes one expression`);
        return [];
      }
      return [readExpression(only, this.names, this.report)];
    };
    return {
      preConditions: elementsOf(element, 'qti-pre-condition').flatMap(expressionIn),
      branchRules: elementsOf(element, 'qti-branch-rule').flatMap((rule): BranchRule[] => {
        const target = this.strict(rule).identifier('target');
        return expressionIn(rule).map((expression) => ({ target, expression }));
      }),
    };
  }

  feedback(element: XmlElement): TestFeedback[] {
    return elementsOf(element, 'qti-test-feedback').map((one) => {
      const strict = this.strict(one);
      const outcome = strict.identifier('outcome-identifier');
      if (outcome !== '' && !this.names.outcomes.has(outcome))
        this.report.error(
          'unknown-variable',
          one.line,
          `feedback depends on "${outcome}", which is not declared`,
        );
      if (one.attributes.access === undefined)
        this.report.error('bad-attribute', one.line, '<qti-test-feedback> does not say its access');
      return {
        access: strict.word('access', ['during', 'atEnd'], 'atEnd'),
        outcome,
        identifier: strict.identifier(),
        show: strict.word('show-hide', ['show', 'hide'], 'show') === 'show',
        title: one.attributes.title ?? '',
        content: this.content.children(one),
      };
    });
  }

  part(element: XmlElement, around: Inherited): TestPart {
    const strict = this.strict(element);
    for (const mode of ['navigation-mode', 'submission-mode'])
      if (element.attributes[mode] === undefined)
        this.report.error('bad-attribute', element.line, `<qti-test-part> does not say its ${mode}`);
    const children = this.children(element, this.inherit(element, around));
    const sections = children.filter((child): child is Section => child.kind === 'section');
    if (sections.length === 0) this.report.error('no-sections', element.line, 'the part has no section');
    return {
      identifier: strict.identifier(),
      title: element.attributes.title ?? '',
      navigation: strict.word('navigation-mode', ['linear', 'nonlinear'], 'nonlinear'),
      submission: strict.word('submission-mode', ['individual', 'simultaneous'], 'simultaneous'),
      timeLimits: this.timeLimits(element),
      rubrics: this.rubrics(element),
      sections,
      feedback: this.feedback(element),
      ...this.rules(element),
    };
  }

  private children(element: XmlElement, around: Inherited): (Section | ItemRef)[] {
    return elementsOf(element).flatMap((child): (Section | ItemRef)[] => {
      if (child.name === 'qti-assessment-section') return [this.section(child, around)];
      if (child.name === 'qti-assessment-section-ref') return this.sectionRef(child, around);
      return child.name === 'qti-assessment-item-ref' ? this.itemRef(child, around) : [];
    });
  }

  /** A section in a file of its own; what the reference says besides holds for it too. */
  private sectionRef(element: XmlElement, around: Inherited): Section[] {
    const strict = this.strict(element);
    const identifier = strict.identifier();
    if (this.depth >= MAX_DEPTH) {
      this.report.error('section-in-itself', element.line, `the section "${identifier}" contains itself`);
      return [];
    }
    const found = this.context.section(element.attributes.href ?? '', element.line);
    if (!found) return [];
    const { root, context } = found;
    if (root.name !== 'qti-assessment-section') {
      this.report.error('not-a-section', element.line, `"${element.attributes.href ?? ''}" holds no section`);
      return [];
    }
    reportTestModel(root, context.report);
    reportHeldBack(root, context.report);
    const reader = new TestReader(context, this.names, this.depth + 1);
    const section = reader.section(root, this.inherit(element, around));
    const rules = this.rules(element);
    const limits = this.timeLimits(element);
    return [
      {
        ...section,
        required: strict.boolean('required', section.required),
        fixed: strict.boolean('fixed', section.fixed),
        timeLimits: limits === NO_LIMITS ? section.timeLimits : limits,
        preConditions: [...rules.preConditions, ...section.preConditions],
        branchRules: [...section.branchRules, ...rules.branchRules],
      },
    ];
  }

  section(element: XmlElement, around: Inherited): Section {
    const strict = this.strict(element);
    const selection = childOf(element, 'qti-selection');
    const ordering = childOf(element, 'qti-ordering');
    const children = this.children(element, this.inherit(element, around));
    const withReplacement = selection ? this.strict(selection).boolean('with-replacement', false) : false;
    const select = selection ? this.strict(selection).number('select', { least: 0, whole: true }) : null;
    if (selection && selection.attributes.select === undefined)
      this.report.error('bad-attribute', selection.line, '<qti-selection> does not say how many to select');
    if (selection && select !== null && select > MAX_SELECTED)
      this.report.error('bad-attribute', selection.line, `more than ${MAX_SELECTED} cannot be selected`);
    if (selection && select !== null && select > children.length && !withReplacement)
      this.report.warn(
        'bad-selection',
        selection.line,
        `${select} are to be selected without replacement, and there are ${children.length}: all are taken`,
      );
    const required = children.filter((child) => child.required).length;
    if (selection && select !== null && select < required)
      this.report.warn(
        'bad-selection',
        selection.line,
        `${select} are to be selected, and ${required} are required: all of those are taken`,
      );
    if (element.attributes.visible === undefined)
      this.report.warn(
        'bad-attribute',
        element.line,
        '<qti-assessment-section> does not say whether it is visible; it is',
      );
    return {
      kind: 'section',
      identifier: strict.identifier(),
      title: element.attributes.title ?? '',
      visible: strict.boolean('visible', true),
      keepTogether: strict.boolean('keep-together', true),
      required: strict.boolean('required', false),
      fixed: strict.boolean('fixed', false),
      rubrics: this.rubrics(element),
      timeLimits: this.timeLimits(element),
      selection: select === null ? null : { select, withReplacement },
      shuffle: ordering ? this.strict(ordering).boolean('shuffle', false) : false,
      children,
      ...this.rules(element),
    };
  }

  private itemRef(element: XmlElement, around: Inherited): ItemRef[] {
    const strict = this.strict(element);
    const item = this.context.item(element.attributes.href ?? '', element.line);
    const rules = this.rules(element);
    const limits = this.timeLimits(element);
    if (item === null) return [];
    const pairs = <T>(name: string, read: (one: XmlElement) => readonly [string, T]) =>
      Object.fromEntries(elementsOf(element, name).map(read));
    return [
      {
        kind: 'item',
        identifier: strict.identifier(),
        item,
        categories: element.attributes.category?.split(/\s+/).filter(Boolean) ?? [],
        weights: pairs('qti-weight', (one) => {
          const value = this.strict(one).number('value');
          if (one.attributes.value === undefined)
            this.report.error('bad-attribute', one.line, '<qti-weight> has no value');
          return [this.strict(one).identifier(), value ?? 1];
        }),
        variableNames: pairs('qti-variable-mapping', (one) => [
          this.strict(one).identifier('target-identifier'),
          this.strict(one).identifier('source-identifier'),
        ]),
        templateDefaults: elementsOf(element, 'qti-template-default').flatMap((one) => {
          const [expression] = elementsOf(one);
          if (!expression) {
            this.report.error('bad-rule', one.line, '<qti-template-default> has no expression');
            return [];
          }
          return [
            {
              identifier: this.strict(one).identifier('template-identifier'),
              expression: readExpression(expression, this.names, this.report),
            },
          ];
        }),
        required: strict.boolean('required', false),
        fixed: strict.boolean('fixed', false),
        timeLimits: limits,
        sessionControl: this.control(element, around.control),
        toolsOff: around.toolsOff,
        ...rules,
      },
    ];
  }
}

/** What a part, a section or the test says for the questions inside it. */
interface Inherited {
  readonly control: ItemSessionControl;
  /** `data-tools-off`: ids of tools that may not be used there (our own; the standard has no word for it). */
  readonly toolsOff: readonly string[];
}
/** Around the test there is nothing. */
export const OUTERMOST: Inherited = { control: DEFAULT_SESSION_CONTROL, toolsOff: [] };

/** No test draws more questions from one section than this. */
const MAX_SELECTED = 500;
