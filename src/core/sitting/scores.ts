import { holdsIdentifier, isTold } from '../deliver/deliverContent';
import { itemSeed } from '../deliver/deliver';
import type { TestFeedback } from '../item/test';
import { interactionsOf } from '../content/content';
import { scoreItem, untouchedScore, type ScoringContext } from '../processing/score';
import { scoreTest, testScope, WHOLE_TEST, type QuestionOutcome } from '../processing/scoreTest';
import type { Place, Plan, PlannedPart } from './plan';
import { scoredResponses } from './rescore';
import { isTimedOut, NEW_QUESTION, type QuestionState, type SittingState } from './state';

/**
 * What the answers of a sitting are worth, and the feedback that may be seen for it. Works on a state of its own that the caller copied.
 */
export class Scores {
  /** Identifiers of the feedback that this step shows. */
  readonly feedback: string[] = [];

  constructor(
    readonly plan: Plan,
    readonly state: SittingState,
  ) {}

  question(ref: string): QuestionState {
    return this.state.questions.get(ref) ?? NEW_QUESTION;
  }
  change(ref: string, change: Partial<QuestionState>): void {
    this.state.questions.set(ref, { ...this.question(ref), ...change });
  }
  get openPart(): PlannedPart | undefined {
    return this.plan.parts[this.state.part];
  }
  /** The place of the question of the open part that one is at. */
  get here(): Place | undefined {
    return this.state.at === null ? undefined : this.plan.placeOf(this.state.at);
  }

  /** Whether its clock, or that of a section around it, ended it. */
  isTimedOut(place: Place): boolean {
    return isTimedOut(this.state, place);
  }
  /** Whether a question takes another attempt. */
  takesAttempt({ ref, source, item }: Place): boolean {
    const { attempts, completed } = this.question(ref);
    if (item.adaptive) return !completed;
    const { maxAttempts } = source.sessionControl;
    return maxAttempts === 0 || attempts < maxAttempts;
  }

  private outcomesOf(place: Place): QuestionOutcome {
    const { ref, source, item, sections } = place;
    const { score, shown, ended, attempts, templateDefaults } = this.question(ref);
    const standing = score ?? untouchedScore(item, this.scoring(place, 0, templateDefaults));
    const partEnded = this.state.closedParts.includes(this.plan.parts[place.part]?.part.identifier ?? '');
    return {
      ref,
      source,
      item,
      sections: sections.map(({ section }) => section.identifier),
      outcomes: standing.outcomes,
      responses: standing.responses,
      correct: standing.correct,
      presented: shown && (attempts > 0 || ended !== null || partEnded),
      duration: (this.state.usedQuestions.get(ref) ?? 0) / 1000,
    };
  }
  protected scoring(
    { ref }: Place,
    tries: number,
    templateDefaults: QuestionState['templateDefaults'],
  ): ScoringContext {
    return {
      seed: itemSeed(this.plan.form.seed, ref),
      tries,
      templateDefaults,
      duration: (this.state.usedQuestions.get(ref) ?? 0) / 1000,
    };
  }
  /** Seconds of the test, its parts and sections. */
  durations(): Map<string, number> {
    const { usedTest, usedParts, usedSections } = this.state;
    return new Map(
      [[WHOLE_TEST, usedTest] as const, ...usedParts, ...usedSections].map(([name, ms]) => [name, ms / 1000]),
    );
  }
  /** Every question that is in, as outcome processing sees it. */
  situation(): readonly QuestionOutcome[] {
    return this.plan.places
      .filter(({ ref }) => !this.state.leftOut.has(ref))
      .map((one) => this.outcomesOf(one));
  }
  protected scope() {
    const { test } = this.plan.content;
    return testScope(test, this.situation(), { outcomes: this.state.outcomes, durations: this.durations() });
  }
  /** Outcome processing, from the defaults, over what is scored by now. */
  processOutcomes(): void {
    this.state.outcomes = scoreTest(this.plan.content.test, this.situation(), {
      durations: this.durations(),
    });
  }

  /** Ends one attempt at a question: scores what was given. Says its modal feedback where that may be seen. */
  scoreAttempt(place: Place, { by = null, tell = true }: { by?: string | null; tell?: boolean } = {}): void {
    const { ref, item, source } = place;
    const before = this.question(ref);
    const attempts = before.attempts + 1;
    const buttons = interactionsOf(item.body)
      .filter((one) => one.type === 'end-attempt')
      .map(({ responseIdentifier: id }) => [id, String(id === by)] as const);
    const responses = Object.fromEntries([...before.responses, ...buttons]);
    const {
      outcomes,
      responses: values,
      correct,
    } = scoreItem(item, responses, {
      ...this.scoring(place, attempts, before.templateDefaults),
      before: item.adaptive ? before.score?.outcomes : undefined,
    });
    const completed = item.adaptive && holdsIdentifier(outcomes.completionStatus ?? null, 'completed');
    this.change(ref, {
      attempts,
      changed: false,
      completed,
      score: { outcomes, responses: values, correct },
    });
    const simultaneous = this.plan.submissionOf(place) === 'simultaneous';
    if (!tell || simultaneous || !source.sessionControl.showFeedback) return;
    for (const one of item.feedback) if (isTold(one, outcomes)) this.feedback.push(one.identifier);
  }

  /** Scores what was given for a question by the item that stands here now, as often as it was tried and no more. */
  scoreAnew(place: Place): void {
    const { ref, item } = place;
    const question = this.question(ref);
    // What an adaptive item gave on the way is part of what was answered.
    if (!question.score || item.adaptive) return;
    const { attempts, templateDefaults } = question;
    const context = this.scoring(place, attempts, templateDefaults);
    const score =
      attempts === 0
        ? untouchedScore(item, context)
        : scoreItem(item, scoredResponses(question, item), context);
    const { outcomes, responses, correct } = score;
    this.change(ref, { score: { outcomes, responses, correct } });
  }

  protected seen(list: readonly TestFeedback[], access: TestFeedback['access']): string[] {
    return list
      .filter((one) => one.access === access && isTold(one, this.state.outcomes))
      .map((one) => one.identifier);
  }
  /** `during` feedback of the test and the open part, after a question that lets feedback be seen was scored. */
  tellDuring(scored: readonly Place[]): void {
    if (!scored.some(({ source }) => source.sessionControl.showFeedback)) return;
    this.feedback.push(...this.seen(this.plan.content.test.feedback, 'during'));
    this.feedback.push(...this.seen(this.openPart?.part.feedback ?? [], 'during'));
  }

  /** Scores what a question holds at its end, where an attempt is left and something is to be scored. */
  protected scoreAtEnd(place: Place, tell: boolean): boolean {
    const { shown, changed, attempts } = this.question(place.ref);
    const simultaneous = this.plan.submissionOf(place) === 'simultaneous';
    if (!shown || (attempts > 0 && !changed) || !(simultaneous || this.takesAttempt(place))) return false;
    this.scoreAttempt(place, { tell });
    return true;
  }
}
