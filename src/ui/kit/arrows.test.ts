import { arrowOf } from './arrows';

const STEP = { small: 1, large: 5 };
const press = (key: string, shiftKey = false) => {
  const preventDefault = jest.fn();
  return { by: arrowOf({ key, shiftKey, preventDefault }, STEP), used: preventDefault.mock.calls.length > 0 };
};

test('arrows go their way, with Shift further, and are used up', () => {
  expect(press('ArrowLeft')).toEqual({ by: [-1, 0], used: true });
  expect(press('ArrowDown', true)).toEqual({ by: [0, 5], used: true });
});
test('another key is left alone', () => {
  expect(press('Tab')).toEqual({ by: null, used: false });
  expect(press('constructor')).toEqual({ by: null, used: false });
});
