import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { DeliveredItem } from '@/core/item/delivered';
import { NEW_ITEM } from '@/core/attempt/state';
import { delivered, testPlayer } from '../testPlayer';
import { useChecking } from './useChecking';

const user = userEvent.setup();
const TWO_OF_THREE = (more: Partial<DeliveredItem>) =>
  delivered(
    'Q1',
    `<qti-response-declaration identifier="R" cardinality="multiple" base-type="identifier"/>
     <qti-item-body><qti-choice-interaction response-identifier="R" min-choices="2" max-choices="2">
     <qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice><qti-simple-choice identifier="C">c</qti-simple-choice>
     </qti-choice-interaction></qti-item-body>`,
    more,
  );

function Checks({ item }: { item: DeliveredItem }) {
  const { asked, check, reply } = useChecking(item);
  return (
    <>
      <button type="button" onClick={() => check()}>
        check
      </button>
      <button type="button" onClick={() => check('HINT')}>
        hint
      </button>
      {asked && <output>{JSON.stringify(asked)}</output>}
      <button type="button" onClick={() => reply(true)}>
        yes
      </button>
      <button type="button" onClick={() => reply(false)}>
        no
      </button>
    </>
  );
}
const player = (answer: readonly string[], more: Partial<DeliveredItem>, tries = 0) => {
  const item = TWO_OF_THREE(more);
  const shown = testPlayer([item], { items: { Q1: { ...NEW_ITEM, responses: { R: answer }, tries } } });
  shown.show(<Checks item={item} />);
  return shown;
};
const press = (name: string) => user.click(screen.getByText(name));
const asked = () => {
  const found = screen.queryByRole('status')?.textContent;
  return found ? (JSON.parse(found) as unknown) : null;
};

test('a finished answer with tries left is checked at once', async () => {
  const { checked } = player(['A', 'B'], { tries: 3 });
  await press('check');
  expect(checked).toEqual([{ ref: 'Q1', by: null }]);
});
test('an unfinished one is checked only after asking, and not when the answer is to go on', async () => {
  const { checked } = player(['A'], { tries: 3 });
  await press('check');
  expect(asked()).toEqual({ by: null, unfinished: true, last: false, allowed: true });
  await press('no');
  expect(asked()).toBeNull();
  expect(checked).toEqual([]);
  await press('check');
  await press('yes');
  expect(checked).toEqual([{ ref: 'Q1', by: null }]);
});
test('with validate-responses an unfinished one is not checked at all', async () => {
  const { checked } = player(['A'], { tries: 3, checksWhole: true });
  await press('check');
  expect(asked()).toMatchObject({ allowed: false });
  await press('yes');
  expect(checked).toEqual([]);
});
test('the last try says what it costs, finished or not', async () => {
  const { checked } = player(['A', 'B'], { tries: 3 }, 2);
  await press('check');
  expect(asked()).toEqual({ by: null, unfinished: false, last: true, allowed: true });
  expect(checked).toEqual([]);
  await press('yes');
  expect(checked).toHaveLength(1);
});
test('a hint is had with nothing answered', async () => {
  const { checked } = player([], { tries: 0 });
  await press('hint');
  expect(checked).toEqual([{ ref: 'Q1', by: 'HINT' }]);
});
