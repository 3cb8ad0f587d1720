import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useEffect, useState } from 'react';
import { SheetPlace, useDrawnAhead } from './drawnAhead';

/** What happened, in order: which sheet was drawn, began, ended. */
let log: string[] = [];
beforeEach(() => {
  log = [];
});

function Page({ name }: { name: string }) {
  const [typed, setTyped] = useState('');
  useEffect(() => {
    log.push(
      `${name} begins, ${document.body.textContent.includes(`page ${name}`) ? 'in' : 'outside'} the page`,
    );
    return () => {
      log.push(`${name} ends`);
    };
  }, [name]);
  return (
    <label>
      page {name}
      <input value={typed} onChange={(event) => setTyped(event.target.value)} />
    </label>
  );
}
function Book({ keys, shown }: { keys: readonly string[]; shown: readonly string[] }) {
  const { elementOf, drawn } = useDrawnAhead(keys, shown, (key) => <Page name={key} />);
  return (
    <main>
      {shown.map((key) => (
        <SheetPlace key={key} element={elementOf(key)} />
      ))}
      {drawn}
    </main>
  );
}
const settle = () => act(() => new Promise((resolve) => setTimeout(resolve, 30)));

test('sheets beside the present one are drawn, but nobody can find them and they do nothing', async () => {
  render(<Book keys={['one', 'two']} shown={['one']} />);
  await settle();
  expect(log).toEqual(['one begins, in the page']);
  expect(document.body.textContent).toBe('page one');
  expect(screen.queryByLabelText('page two')).toBeNull();
});

test('going there puts the sheet in place before its effects run; the one left behind stops', async () => {
  const { rerender } = render(<Book keys={['one', 'two']} shown={['one']} />);
  await settle();
  log = [];
  rerender(<Book keys={['one', 'two']} shown={['two']} />);
  expect(log).toEqual(['one ends', 'two begins, in the page']);
  expect(document.body.textContent).toBe('page two');
});

test('a sheet that is kept is found again as it was left; one that is not, is new', async () => {
  const { rerender } = render(<Book keys={['one', 'two']} shown={['one']} />);
  const box = () => screen.getByLabelText<HTMLInputElement>('page one');
  await userEvent.setup().type(box(), 'ebb');
  expect(box().value).toBe('ebb');
  rerender(<Book keys={['one', 'two']} shown={['two']} />);
  rerender(<Book keys={['one', 'two']} shown={['one']} />);
  expect(box().value).toBe('ebb');
  rerender(<Book keys={['two']} shown={['two']} />);
  rerender(<Book keys={['one', 'two']} shown={['one']} />);
  expect(box().value).toBe('');
  await settle();
  expect(log.filter((line) => line.startsWith('two begins'))).toHaveLength(2);
});

test('a sheet that was never drawn ahead is there at once', () => {
  const { rerender } = render(<Book keys={['one']} shown={['one']} />);
  rerender(<Book keys={['nine']} shown={['nine']} />);
  expect(document.body.textContent).toBe('page nine');
});

test('several sheets stand side by side, and none is shown while nothing is', () => {
  const { rerender } = render(<Book keys={['one', 'passage']} shown={['one', 'passage']} />);
  expect(document.body.textContent).toBe('page onepage passage');
  rerender(<Book keys={['one', 'passage']} shown={[]} />);
  expect(document.body.textContent).toBe('');
  expect(log.filter((line) => line.endsWith('ends')).sort()).toEqual(['one ends', 'passage ends']);
});
