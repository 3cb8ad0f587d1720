import type { Test } from '../item/test';
import { readDeclaration, readOutcomeDeclaration } from './readDeclarations';
import { readRules, type Names } from './readProgram';
import { reportHeldBack } from './heldBack';
import { reportTestModel } from './testModel';
import { OUTERMOST, TestReader, type TestContext } from './testReader';
import { refuseBadTargets, refuseTwins } from './testSlips';
import { childOf, elementsOf, type XmlElement } from '../xml/xml';

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
  reportTestModel(root, report);
  reportHeldBack(root, report);
  const outcomes = elementsOf(root, 'qti-outcome-declaration').flatMap(
    (one) => readOutcomeDeclaration(one, report) ?? [],
  );
  const contexts = elementsOf(root, 'qti-context-declaration').flatMap(
    (one) => readDeclaration(one, report) ?? [],
  );
  const names: Names = {
    responses: new Set(),
    outcomes: new Set(outcomes.map((one) => one.identifier)),
    templates: new Set(),
    contexts: new Set(contexts.map((one) => one.identifier)),
    test: true,
  };
  const reader = new TestReader(context, names);
  const processing = childOf(root, 'qti-outcome-processing');
  const parts = elementsOf(root, 'qti-test-part').map((part) =>
    reader.part(part, reader.inherit(root, OUTERMOST)),
  );
  if (parts.length === 0) report.error('no-parts', root.line, 'the test has no qti-test-part');
  const test: Test = {
    identifier,
    title: root.attributes.title ?? identifier,
    language: root.attributes['xml:lang'] ?? null,
    tool: {
      name: root.attributes['tool-name'] ?? null,
      version: root.attributes['tool-version'] ?? null,
    },
    timeLimits: reader.timeLimits(root),
    outcomes,
    contexts,
    parts,
    rubrics: reader.rubrics(root),
    outcomeProcessing: processing ? readRules(elementsOf(processing), names, report) : [],
    feedback: reader.feedback(root),
  };
  refuseTwins(test, root.line, report);
  refuseBadTargets(test, root.line, report);
  return test;
}
