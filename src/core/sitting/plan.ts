import { deliverItem } from '../deliver/deliver';
import type { DeliveredItem } from '../item/delivered';
import type { Item } from '../item/item';
import {
  itemRefsOf,
  maximumOf,
  type ItemRef,
  type Section,
  type Test,
  type TestPart,
  type TimeLimits,
} from '../item/test';
import type { Form } from './form';
import type { QuestionState } from './state';

/** What a sitting is of: one version of a test with its items. */
export interface SittingContent {
  readonly test: Test;
  readonly items: ReadonlyMap<string, Item>;
}

/** Where one question of a form stands. */
export interface Place {
  readonly ref: string;
  /** Which part, from 0, and which question of it. */
  readonly part: number;
  readonly index: number;
  readonly source: ItemRef;
  readonly item: Item;
  /** Outermost first. */
  readonly sections: readonly { readonly key: string; readonly section: Section }[];
}
export interface PlannedPart {
  readonly part: TestPart;
  readonly places: readonly Place[];
}

/** The form does not fit the content: it was made from another version. */
export class FormMismatch extends Error {}

/** A form laid over its content: every question with what the test says about it. Does not change during a sitting. */
export class Plan {
  readonly parts: readonly PlannedPart[];
  private readonly byRef = new Map<string, Place>();
  private readonly delivered = new Map<string, DeliveredItem>();

  /** @throws FormMismatch */
  constructor(
    readonly content: SittingContent,
    readonly form: Form,
  ) {
    const { test, items } = content;
    const sources = new Map(itemRefsOf(test).map((ref) => [ref.identifier, ref]));
    const sections = new Map<string, Section>();
    const walk = (section: Section): void => {
      sections.set(section.identifier, section);
      for (const child of section.children) if (child.kind === 'section') walk(child);
    };
    for (const part of test.parts) part.sections.forEach(walk);
    this.parts = form.parts.map((drawn, i): PlannedPart => {
      const part = test.parts[i];
      if (!part || part.identifier !== drawn.identifier)
        throw new FormMismatch(`the form has a part "${drawn.identifier}" that the test has not`);
      const places = drawn.questions.map((question, index): Place => {
        const source = sources.get(question.source);
        const item = source && items.get(source.item);
        const around = question.sections.map(({ key, source: name }) => {
          const section = sections.get(name);
          if (!section) throw new FormMismatch(`the form has a section "${name}" that the test has not`);
          return { key, section };
        });
        if (!source || !item)
          throw new FormMismatch(`the form has a question "${question.source}" that the test has not`);
        const place = { ref: question.ref, part: i, index, source, item, sections: around };
        this.byRef.set(question.ref, place);
        return place;
      });
      return { part, places };
    });
  }

  placeOf(ref: string): Place | undefined {
    return this.byRef.get(ref);
  }

  /** How the part of a question is handed in. */
  submissionOf({ part }: Place): TestPart['submission'] {
    return this.parts[part]?.part.submission ?? 'simultaneous';
  }

  /** Every question of the form, in order. */
  get places(): readonly Place[] {
    return this.parts.flatMap((part) => part.places);
  }

  /** A question as a student of this attempt has it: what an answer to it can be. */
  asDelivered({ ref, item }: Place, templateDefaults: QuestionState['templateDefaults'] = {}): DeliveredItem {
    const session = { tries: 0, outcomes: {}, templateDefaults };
    if (Object.keys(templateDefaults).length > 0) return deliverItem(item, ref, this.form.seed, { session });
    const known = this.delivered.get(ref) ?? deliverItem(item, ref, this.form.seed);
    this.delivered.set(ref, known);
    return known;
  }

  /** A maximum in milliseconds, the student's factor in it; null = none. */
  maximumOf(limits: TimeLimits): number | null {
    return maximumOf(limits, this.form.timeMultiplier);
  }
}

/** A minimum in milliseconds; 0 = none. */
export const minimumOf = ({ minimum }: TimeLimits): number => Math.round((minimum ?? 0) * 1000);
