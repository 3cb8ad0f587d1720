import type { Reporter } from '../xml/problem';
import { elementsOf, type XmlElement } from '../xml/xml';

/** What the only part of a test is called among the parents here. */
const ONLY_PART = 'the only part';

/**
 * What the sitting engine does and the student's screens do not give yet, by element: whoever brings a test must be told. A line goes
 * from here when the screen for it comes.
 */
const HELD_BACK: Readonly<Record<string, (element: XmlElement, parent: string) => string | null>> = {
  'qti-time-limits': ({ attributes }, parent) => {
    // The maximum of the only part is that of the test.
    const whole = parent === 'qti-assessment-test' || parent === ONLY_PART;
    const late = ['true', '1'].includes(attributes['allow-late-submission'] ?? '');
    return whole && late && attributes['max-time'] !== undefined
      ? 'at the end of its time the test is handed in, and nothing late is taken'
      : null;
  },
};

/** Names, with its line, all of a test (or of a section in a file of its own) that the screens do not give yet. */
export function reportHeldBack(root: XmlElement, report: Reporter): void {
  const parts = elementsOf(root, 'qti-test-part');
  const walk = (element: XmlElement, parent: string): void => {
    const why = HELD_BACK[element.name]?.(element, parent);
    if (why) report.warn('not-on-screen-yet', element.line, `${why}: the student’s screens cannot do it yet`);
    const name = element.name === 'qti-test-part' && parts.length === 1 ? ONLY_PART : element.name;
    for (const child of elementsOf(element)) walk(child, name);
  };
  walk(root, '');
}
