import english from '@messages/en.json';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { IntlProvider } from 'use-intl';
import { NO_NEEDS } from '@/core/needs';
import { delivered } from '../player/testPlayer';
import { Answers } from './Answers';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));

const question = (number: number, asked: string, chosen: string | null) => ({
  number,
  verdict: 'wrong' as const,
  score: 0,
  maximum: 1,
  item: delivered(
    `Q${number}`,
    `<qti-response-declaration identifier="R" cardinality="single" base-type="identifier"/>
     <qti-item-body><qti-choice-interaction response-identifier="R" max-choices="1"><qti-prompt>${asked}</qti-prompt><qti-simple-choice identifier="A">ebb</qti-simple-choice><qti-simple-choice identifier="B">flow</qti-simple-choice></qti-choice-interaction></qti-item-body>`,
  ),
  responses: { R: chosen },
  solution: { R: 'B' },
  marks: {},
});
const show = () =>
  render(
    <IntlProvider locale="en" messages={english} timeZone="UTC">
      <Answers
        name="Wren"
        needs={NO_NEEDS}
        attemptId="one"
        title="Tides"
        stimuli={{}}
        questions={[
          question(1, 'What comes first?', 'A'),
          question(2, 'What comes next?', 'B'),
          question(3, 'And then?', null),
        ]}
      />
    </IntlProvider>,
  );
const user = userEvent.setup();

test('each question is shown by itself, with its own answer and its own right one', async () => {
  show();
  for (const [number, asked, words] of [
    [1, 'What comes first?', ['In words: ebb', 'In words: flow']],
    [2, 'What comes next?', ['In words: flow', 'In words: flow']],
    [3, 'And then?', ['In words: flow']],
    [1, 'What comes first?', ['In words: ebb', 'In words: flow']],
  ] as const) {
    await user.click(screen.getByRole('button', { name: new RegExp(`^Question ${number}:`) }));
    const shown = within(screen.getByRole('region', { name: `Question ${number}` }));
    // The answer and the right one.
    expect(shown.getAllByRole('radiogroup').map((one) => one.textContent)).toEqual([
      expect.stringContaining(asked),
      expect.stringContaining(asked),
    ]);
    expect(shown.getAllByText(/^In words:/).map((one) => one.textContent)).toEqual(words);
    expect(shown.getByText('Not right · 0 of 1 point')).toBeTruthy();
  }
});
test('Next and Back go through them, and stop at the ends', async () => {
  show();
  const name = () => screen.getByRole('heading', { level: 2 }).textContent;
  await user.click(screen.getByRole('button', { name: 'Next' }));
  await user.click(screen.getByRole('button', { name: 'Next' }));
  expect(name()).toBe('Question 3');
  expect(screen.getByRole('button', { name: 'Next' })).toHaveProperty('disabled', true);
  await user.click(screen.getByRole('button', { name: 'Back' }));
  expect(name()).toBe('Question 2');
});
