import type { BranchRule } from '../item/test';
import { evaluate, holds } from '../processing/evaluate';
import { untouchedScore } from '../processing/score';
import type { Place, PlannedPart } from './plan';
import { Scores } from './scores';

/** What became of a branch: where to go, or a way out. */
type Way =
  | { readonly kind: 'on'; readonly index: number }
  | { readonly kind: 'end-part' }
  | { readonly kind: 'end-test' };

/**
 * What happens in a sitting once it may: entering, leaving, closing. Decides nothing about whether it may (actions.ts) nor when (clocks.ts).
 */
export class Run extends Scores {
  // Showing

  /**
   * Works out the test's template defaults of a question, when it comes within reach: in a nonlinear part when the part is entered, in
   * a linear one when the question is (QTI 3.0, item sessions: as soon as the item is eligible for delivery).
   */
  private prepare({ ref, source }: Place): void {
    if (source.templateDefaults.length === 0) return;
    const templateDefaults = Object.fromEntries(
      source.templateDefaults.map(({ identifier, expression }) => [
        identifier,
        evaluate(expression, this.scope()),
      ]),
    );
    this.change(ref, { templateDefaults });
  }
  /** Counts a question as shown. */
  markShown(place: Place): void {
    const { ref } = place;
    if (this.question(ref).shown) return;
    if (this.openPart?.part.navigation === 'linear') this.prepare(place);
    this.change(ref, { shown: true });
    this.state.route.push(ref);
  }
  private show(place: Place): void {
    this.state.at = place.ref;
    this.markShown(place);
  }
  /** Goes to an open question of the open part. */
  goTo(place: Place): void {
    this.state.looking = null;
    this.show(place);
  }

  // Leaving a question of a linear part

  /** Ends the question one is at in a linear part: scored where submission is individual. */
  endQuestion(place: Place, how: 'passed' | 'time', tell = true): void {
    const individual = this.openPart?.part.submission === 'individual';
    const scored = individual && this.scoreAtEnd(place, tell);
    this.change(place.ref, { ended: how });
    if (!individual) return;
    this.processOutcomes();
    if (scored && tell) this.tellDuring([place]);
  }

  private firstTrue(rules: readonly BranchRule[]): string | null {
    return rules.find(({ expression }) => holds(expression, this.scope()))?.target ?? null;
  }
  private leaveOut(places: readonly Place[], from: number, until: number): void {
    for (const { ref } of places.slice(from, until))
      if (!this.question(ref).shown) this.state.leftOut.add(ref);
  }
  /** Where a target leads from a question: its place further on; null when this form has none. */
  private wayTo(
    target: string,
    position: number,
    places: readonly Place[],
    around: readonly string[],
  ): Way | null {
    if (target === 'EXIT_TEST') return { kind: 'end-test' };
    if (target === 'EXIT_TESTPART') return { kind: 'end-part' };
    if (target === 'EXIT_SECTION') {
      const [innermost] = around;
      if (innermost === undefined) return { kind: 'end-part' };
      const last = places.findLastIndex(({ sections }) => sections.some(({ key }) => key === innermost));
      return { kind: 'on', index: Math.max(position, last) + 1 };
    }
    const index = places.findIndex(
      ({ source, sections }, i) =>
        i > position &&
        (source.identifier === target || sections.some(({ section }) => section.identifier === target)),
    );
    return index < 0 ? null : { kind: 'on', index };
  }

  /**
   * Goes on from a question of a linear part: its branch rules, those of the sections that end with it, then the next question
   * that may be entered; at the end the part ends.
   * @param ask whether the question's own rules are asked: not of one that was never shown, nor where its section's time ended
   */
  moveOn(from: number, ask: boolean): void {
    const { places } = this.openPart ?? { places: [] };
    let position = from;
    let asked = ask;
    for (;;) {
      const way = this.wayOn(position, asked, places);
      if (way.kind === 'end-test') return this.exitTest(position);
      if (way.kind === 'end-part') {
        this.leaveOut(places, position + 1, places.length);
        return this.endPart();
      }
      const next = places[way.index];
      if (!next) return this.endPart();
      if (this.enters(next, places)) return this.show(next);
      position = way.index;
      asked = false;
    }
  }

  private wayOn(position: number, ask: boolean, places: readonly Place[]): Way {
    const place = places[position];
    if (!place) return { kind: 'on', index: position + 1 };
    const around = place.sections.map(({ key }) => key).reverse();
    let index = position + 1;
    /** Sections that were jumped out of: their rules are not asked. */
    const jumped = new Set<string>();
    const take = (target: string, sections: readonly string[]): Way | 'decided' | null => {
      const way = this.wayTo(target, position, places, sections);
      if (way?.kind !== 'on') return way;
      this.leaveOut(places, position + 1, way.index);
      index = way.index;
      if (target !== 'EXIT_SECTION') return 'decided';
      for (const key of around.slice(0, around.indexOf(sections[0] ?? '') + 1)) jumped.add(key);
      return null;
    };
    if (ask) {
      const target = this.firstTrue(place.source.branchRules);
      const way = target === null ? null : take(target, around);
      if (way === 'decided') return { kind: 'on', index };
      if (way) return way;
    }
    for (const [i, key] of around.entries()) {
      const goesOn = places.some(
        ({ sections }, at) => at >= index && sections.some((one) => one.key === key),
      );
      if (goesOn || jumped.has(key)) continue;
      const wasShown = places.some(
        ({ ref, sections }) => this.question(ref).shown && sections.some((one) => one.key === key),
      );
      const section = place.sections.find((one) => one.key === key)?.section;
      const target = wasShown && section ? this.firstTrue(section.branchRules) : null;
      const way = target === null ? null : take(target, around.slice(i + 1));
      if (way === 'decided') return { kind: 'on', index };
      if (way) return way;
    }
    return { kind: 'on', index };
  }

  /** Asks what would be entered with a question whether it may be; what may not is left out. */
  private enters(place: Place, places: readonly Place[]): boolean {
    const { leftOut, entered, closedSections } = this.state;
    if (leftOut.has(place.ref)) return false;
    for (const { key, section } of place.sections) {
      if (closedSections.has(key)) return false;
      if (entered.has(key)) continue;
      if (!section.preConditions.every((one) => holds(one, this.scope()))) {
        this.leaveOut(
          places.filter(({ sections }) => sections.some((one) => one.key === key)),
          0,
          Infinity,
        );
        return false;
      }
      entered.add(key);
    }
    if (place.source.preConditions.every((one) => holds(one, this.scope()))) return true;
    leftOut.add(place.ref);
    return false;
  }

  // Parts

  /** Ends the open part and enters what comes next. */
  endPart(tell = true): void {
    const target = this.closePart(tell);
    if (target === 'EXIT_TEST') return this.closeRest(true);
    this.enterPart(this.state.part + 1, target);
  }

  /** Closes the open part for good: scores what is left to score, judges its feedback. Gives where its rules lead. */
  private closePart(tell: boolean): string | null {
    const open = this.openPart;
    if (!open) return null;
    const { part, places } = open;
    const scored = places.filter((place) => this.scoreAtEnd(place, tell));
    this.state.closedParts.push(part.identifier);
    for (const place of places) {
      const { shown, score } = this.question(place.ref);
      if (!shown && !score && !this.state.leftOut.has(place.ref))
        this.change(place.ref, { score: untouchedScore(place.item, this.scoring(place, 0, {})) });
    }
    this.processOutcomes();
    if (tell) this.tellDuring(scored);
    this.state.testFeedback.push(...this.seen(part.feedback, 'atEnd'));
    this.state.at = null;
    this.state.looking = null;
    return this.firstTrue(part.branchRules);
  }

  /** Enters the first part from `index` on that may be entered; a target leads past those before it. */
  enterPart(index: number, target: string | null = null): void {
    const { parts } = this.plan;
    const goal = target === null ? -1 : parts.findIndex(({ part }) => part.identifier === target);
    const from = Math.max(index, goal);
    for (const passed of parts.slice(index, from)) this.leaveOut(passed.places, 0, Infinity);
    this.state.part = from;
    const next = parts[from];
    if (!next) return;
    if (!next.part.preConditions.every((one) => holds(one, this.scope()))) {
      this.leaveOut(next.places, 0, Infinity);
      return this.enterPart(from + 1);
    }
    this.state.usedParts.set(next.part.identifier, this.state.usedParts.get(next.part.identifier) ?? 0);
    if (next.part.navigation === 'linear') return this.enterLinear(next);
    for (const place of next.places) this.prepare(place);
    const [first] = next.places;
    if (first) this.show(first);
    else this.endPart();
  }
  private enterLinear({ places }: PlannedPart): void {
    const [first] = places;
    if (!first) return this.endPart();
    if (this.enters(first, places)) this.show(first);
    else this.moveOn(0, false);
  }

  /** `EXIT_TEST`: every part ends, and handing in is what is left. */
  private exitTest(position: number): void {
    const { places } = this.openPart ?? { places: [] };
    this.leaveOut(places, position + 1, places.length);
    this.closePart(true);
    this.closeRest(true);
  }
  /** Closes every part that was not reached. `byRules`: rules left them out; else they close unseen. */
  private closeRest(byRules: boolean): void {
    const { parts } = this.plan;
    for (let i = this.state.part + 1; i < parts.length; i += 1) {
      this.state.part = i;
      if (byRules) this.leaveOut(parts[i]?.places ?? [], 0, Infinity);
      this.closePart(false);
    }
    this.state.part = parts.length;
  }

  /** It is over: what is open closes, parts not reached close unseen, everything is scored. */
  handIn(): void {
    if (this.openPart) {
      this.closePart(false);
      this.closeRest(false);
    }
    this.processOutcomes();
    this.state.testFeedback.push(...this.seen(this.plan.content.test.feedback, 'atEnd'));
    this.state.at = null;
    this.state.looking = null;
    this.state.phase = 'handed-in';
  }

  // Time

  /** A question's clock ended: linear goes on from it, else the next open question is shown. */
  endQuestionByTime(place: Place): void {
    if (this.openPart?.part.navigation === 'linear') {
      this.endQuestion(place, 'time');
      this.moveOn(place.index, true);
      return;
    }
    this.change(place.ref, { ended: 'time' });
    this.toNextOpen(place.index);
  }
  /** A section's clock ended: what is left of it is passed over. */
  endSectionByTime(key: string): void {
    this.state.closedSections.add(key);
    const place = this.here;
    if (!place) return;
    if (this.openPart?.part.navigation === 'linear') {
      this.endQuestion(place, 'time');
      this.moveOn(place.index, false);
    } else this.toNextOpen(place.index);
  }
  /** The next question behind that takes answers, from the front again if need be, else none. */
  private toNextOpen(from: number): void {
    const { places } = this.openPart ?? { places: [] };
    const open = [...places.slice(from + 1), ...places.slice(0, from + 1)].find(
      (one) => !this.isTimedOut(one),
    );
    if (open) this.show(open);
    else this.state.at = null;
  }
}
