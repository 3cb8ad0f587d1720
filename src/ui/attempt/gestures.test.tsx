import { fireEvent, render, screen } from '@testing-library/react';
import { useGestures } from './gestures';

const steps: boolean[] = [];
function Handle() {
  const goesOn = useGestures();
  const change = () => steps.push(goesOn('q1 R'));
  return (
    <button type="button" onPointerMove={change} onKeyDown={change} onClick={change}>
      handle
    </button>
  );
}
const handle = () => screen.getByText('handle');
beforeEach(() => {
  steps.length = 0;
  render(<Handle />);
});

test('the changes of one drag go on with its first, those of the next do not', () => {
  fireEvent.pointerDown(handle());
  fireEvent.pointerMove(handle());
  fireEvent.pointerMove(handle());
  fireEvent.pointerDown(handle());
  fireEvent.pointerMove(handle());
  expect(steps).toEqual([false, true, false]);
});
test('a key held down is one movement, a key pressed again another', () => {
  fireEvent.keyDown(handle(), { key: 'ArrowUp' });
  fireEvent.keyDown(handle(), { key: 'ArrowUp', repeat: true });
  fireEvent.keyDown(handle(), { key: 'ArrowUp' });
  expect(steps).toEqual([false, true, false]);
});
test('a click no pointer made is a movement of its own', () => {
  fireEvent.click(handle());
  fireEvent.click(handle());
  expect(steps).toEqual([false, false]);
});
