import { TextDecoder, TextEncoder } from 'node:util';
import english from '@messages/en.json';
import { INTERACTIONS, interactionOf } from '@/core/interactions';
import { lessonFor } from '.';

/** Every browser has them; the test's own window has not. */
Object.assign(globalThis, { TextDecoder, TextEncoder });

const camel = (type: string) => type.replace(/-(.)/g, (_all, letter: string) => letter.toUpperCase());

describe.each(INTERACTIONS.map((one) => one.type))('how to answer: %s', (type) => {
  const words = (english.lessons.kinds as Record<string, { steps: string[]; keys: string[] }>)[camel(type)];
  test('every step has its words, and there are keys', async () => {
    const lesson = await lessonFor(type);
    expect(lesson?.model.type).toBe(type);
    expect(words?.steps.length).toBe(lesson?.steps.length);
    expect(words?.keys.length).toBeGreaterThan(0);
  });
  test('it begins without an answer and ends with a finished one', async () => {
    const lesson = await lessonFor(type);
    if (!lesson) throw new Error('no lesson');
    const definition = interactionOf(type);
    const progress = (step: number) =>
      definition?.progress(lesson.model, lesson.steps.at(step) ?? null, lesson.shape).state;
    expect(lesson.steps[0]).toBeNull();
    if (!definition?.optional?.(lesson.model)) expect(progress(0)).toBe('empty');
    expect(progress(-1)).toBe('complete');
  });
});
