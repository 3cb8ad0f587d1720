import { render, screen } from '@testing-library/react';
import { useFocusBack } from './useFocusBack';

function Holder() {
  useFocusBack();
  return null;
}
beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

test.each([0, 100, 300, 2_000])('the focus goes back though what goes takes %d ms to go', (ms) => {
  render(<button type="button">before</button>);
  screen.getByText('before').focus();
  const holder = render(<Holder />);
  const fading = document.createElement('button');
  document.body.append(fading);
  fading.focus();
  holder.unmount();
  setTimeout(() => fading.remove(), ms);
  jest.advanceTimersByTime(ms + 1000);
  expect(document.activeElement).toBe(screen.getByText('before'));
});
test('a focus that went on by itself is left where it is', () => {
  render(
    <>
      <button type="button">before</button>
      <button type="button">next</button>
    </>,
  );
  screen.getByText('before').focus();
  const holder = render(<Holder />);
  holder.unmount();
  screen.getByText('next').focus();
  jest.advanceTimersByTime(1000);
  expect(document.activeElement).toBe(screen.getByText('next'));
});
test('whoever presses a key decides where the focus is from then on', () => {
  render(<button type="button">before</button>);
  screen.getByText('before').focus();
  const holder = render(<Holder />);
  holder.unmount();
  jest.advanceTimersByTime(200);
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }));
  screen.getByText('before').blur();
  jest.advanceTimersByTime(10_000);
  expect(document.activeElement).toBe(document.body);
});
