import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useRef, useState } from 'react';
import { useFocusKept } from './useFocusKept';

/** A list whose buttons take their own line out, in something that scrolls. */
function List({ names, away }: { names: readonly string[]; away?: boolean }) {
  const ref = useRef<HTMLDivElement>(null);
  useFocusKept(ref);
  const [left, setLeft] = useState(names);
  return (
    <div role="region" aria-label="list" tabIndex={-1}>
      <div ref={ref}>
        {left.map((name) => (
          <button
            key={name}
            type="button"
            onClick={() => {
              setLeft(left.filter((one) => one !== name));
              if (away) screen.getByText('elsewhere').focus();
            }}
          >
            {name}
          </button>
        ))}
      </div>
      <button type="button">elsewhere</button>
    </div>
  );
}
const press = async (name: string) => {
  act(() => screen.getByText(name).focus());
  await userEvent.keyboard('{Enter}');
};

test('the one that comes into its place has the focus, then the last, then what lies around', async () => {
  render(<List names={['a', 'b', 'c']} />);
  await press('b');
  expect(document.activeElement?.textContent).toBe('c');
  await press('c');
  expect(document.activeElement?.textContent).toBe('a');
  await press('a');
  expect(document.activeElement).toBe(screen.getByRole('region'));
});
test('a focus that went on by itself is left where it is', async () => {
  render(<List names={['a', 'b']} away />);
  await press('a');
  expect(document.activeElement).toBe(screen.getByText('elsewhere'));
});
