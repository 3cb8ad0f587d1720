import { itemRefsOf, type BranchRule, type ItemRef, type Section, type Test } from '../item/test';
import type { Reporter } from '../xml/problem';

const EXITS = ['EXIT_SECTION', 'EXIT_TESTPART', 'EXIT_TEST'];

/** Every identifier of a test means one thing: twin references would be one question with two places. */
export function refuseTwins(test: Test, line: number, report: Reporter): void {
  const sections = (section: Section): string[] => [
    section.identifier,
    ...section.children.flatMap((child) => (child.kind === 'section' ? sections(child) : [])),
  ];
  const all = [
    ...test.parts.map((part) => part.identifier),
    ...test.parts.flatMap((part) => part.sections.flatMap(sections)),
    ...itemRefsOf(test).map((ref) => ref.identifier),
  ];
  const seen = new Set<string>();
  for (const identifier of all) {
    if (seen.has(identifier))
      report.error('duplicate-identifier', line, `the identifier "${identifier}" is given twice in the test`);
    seen.add(identifier);
  }
}

/** A branch that leads nowhere, or back, would leave the student without a next question. */
export function refuseBadTargets(test: Test, line: number, report: Reporter): void {
  const complain = (from: string, target: string) =>
    report.error(
      'bad-target',
      line,
      `a branch rule of "${from}" goes to "${target}", which does not come after it in the same part`,
    );
  test.parts.forEach((part, i) => {
    for (const { target } of part.branchRules)
      if (
        !['EXIT_TEST', 'EXIT_TESTPART'].includes(target) &&
        !test.parts.slice(i + 1).some((one) => one.identifier === target)
      )
        complain(part.identifier, target);
    const order: { identifier: string; rules: readonly BranchRule[]; end: number }[] = [];
    const walk = (node: Section | ItemRef): void => {
      const own = { identifier: node.identifier, rules: node.branchRules, end: 0 };
      order.push(own);
      if (node.kind === 'section') node.children.forEach(walk);
      own.end = order.length;
    };
    part.sections.forEach(walk);
    const shuffles = (section: Section): boolean =>
      section.shuffle || section.children.some((child) => child.kind === 'section' && shuffles(child));
    const fixedOrder = !part.sections.some(shuffles);
    for (const { identifier, rules, end } of order)
      for (const { target } of rules) {
        if (EXITS.includes(target)) continue;
        const at = order.findIndex((one) => one.identifier === target);
        // In a mixed section what comes after is known only once it is drawn.
        if (at < 0 || (fixedOrder && at < end)) complain(identifier, target);
      }
  });
}
