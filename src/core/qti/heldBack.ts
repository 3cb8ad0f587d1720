import type { Reporter } from '../xml/problem';
import { elementsOf, type XmlElement } from '../xml/xml';

/** What the only part of a test is called among the parents here. */
const ONLY_PART = 'the only part';

/**
 * What the sitting engine does and the student's screens do not give yet, by element: what would be missing from the student's
 * sight. A test with any of it is delivered as one open list of questions, so whoever brings it must be told. A line goes from
 * here when the screen for it comes.
 */
const HELD_BACK: Readonly<Record<string, (element: XmlElement, parent: string) => string | null>> = {
  'qti-test-part': ({ attributes }) =>
    attributes['navigation-mode'] === 'linear'
      ? 'a part with navigation-mode="linear" is given with free movement'
      : null,
  'qti-time-limits': ({ attributes }, parent) => {
    // The maximum of the only part is that of the test.
    const whole = parent === 'qti-assessment-test' || parent === ONLY_PART;
    if (!whole) return `the time limits of <${parent}> are not kept`;
    return Number(attributes['min-time'] ?? 0) > 0 ? 'the min-time is not kept' : null;
  },
  'qti-pre-condition': () => 'what depends on a pre-condition is always given',
  'qti-branch-rule': () => 'the branch rule is not followed',
  'qti-test-feedback': () => 'the feedback of the test is not shown',
  'qti-item-session-control': ({ attributes }) => {
    const asked = ['allow-skipping="false"', 'validate-responses="true"'].filter((one) => {
      const [name, value] = one.replaceAll('"', '').split('=') as [string, string];
      return attributes[name] === value || attributes[name] === (value === 'true' ? '1' : '0');
    });
    return asked.length > 0
      ? `${asked.join(' and ')} does not hold a question: any can be left as it is`
      : null;
  },
  'qti-template-default': () => 'the template default is not set',
};

/** Names, with its line, all of a test (or of a section in a file of its own) that the screens do not give yet. */
export function reportHeldBack(root: XmlElement, report: Reporter): void {
  const complain = (line: number, why: string) =>
    report.warn('not-on-screen-yet', line, `${why}: the student’s screens cannot do it yet`);
  const parts = elementsOf(root, 'qti-test-part');
  const walk = (element: XmlElement, parent: string): void => {
    const why = HELD_BACK[element.name]?.(element, parent);
    if (why) complain(element.line, why);
    const name = element.name === 'qti-test-part' && parts.length === 1 ? ONLY_PART : element.name;
    for (const child of elementsOf(element)) walk(child, name);
  };
  walk(root, '');
  for (const { line } of parts.slice(1))
    complain(line, 'a further part is given together with the first, and none of them ends by itself');
}
