/** @jest-environment node */
import type { Content } from '../content/content';
import type { InteractionModel } from '../interactions/types';
import { hasSound, isSameAnswer, kindsIn } from './warmUp';

const body = (...types: string[]): { body: Content } => ({
  body: types.map((type) => ({
    kind: 'interaction',
    interaction: {
      type,
      responseIdentifier: 'R',
      inline: false,
      prompt: [],
      classes: [],
    } as unknown as InteractionModel,
  })),
});
const shape = (cardinality: 'single' | 'multiple' | 'ordered') =>
  ({ identifier: 'R', cardinality, baseType: 'identifier' }) as const;

test('each kind once, in the order it is first met', () => {
  expect(kindsIn([body('choice', 'media'), body('order', 'choice'), body('order')])).toEqual([
    'choice',
    'media',
    'order',
  ]);
  expect(kindsIn([])).toEqual([]);
});

test('what sounds: sound or video in a question or a text, wherever it stands', () => {
  const within = (name: string): { body: Content } => ({
    body: [
      {
        kind: 'element',
        namespace: 'html',
        name: 'p',
        attributes: {},
        children: [{ kind: 'element', namespace: 'html', name, attributes: {}, children: [] }],
      },
    ],
  });
  expect(hasSound([body('choice', 'order'), within('img')])).toBe(false);
  expect(hasSound([body('choice'), within('audio')])).toBe(true);
  expect(hasSound([within('video')])).toBe(true);
  expect(hasSound([body('choice', 'media')])).toBe(true);
  expect(hasSound([])).toBe(false);
});

test('answers are the same whatever order they were given in, where order says nothing', () => {
  expect(isSameAnswer(['A', 'B'], ['B', 'A'], shape('multiple'))).toBe(true);
  expect(isSameAnswer(['A', 'B'], ['B', 'A'], shape('ordered'))).toBe(false);
  expect(isSameAnswer(['A'], ['A', 'A'], shape('multiple'))).toBe(false);
  expect(isSameAnswer('A', 'A', shape('single'))).toBe(true);
  expect(isSameAnswer(null, 'null', shape('single'))).toBe(false);
  expect(isSameAnswer({ x: '1', y: '2' }, { y: '2', x: '1' }, shape('single'))).toBe(true);
});
