import { TextDecoder, TextEncoder } from 'node:util';
import english from '@messages/en.json';
import { act, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { IntlProvider } from 'use-intl';
import type { InteractionModel } from '@/core/interactions/types';
import { interactionsOf } from '@/core/content/content';
import type { RawResponse } from '@/core/content/response';
import { itemFrom } from '@/core/qti/testItem';
import { preloadViews, VIEW_OF } from '.';

/** Every browser has them; the test's own window has not. */
Object.assign(globalThis, {
  TextDecoder,
  TextEncoder,
  ResizeObserver: class {
    observe(): void {
      /* nothing changes size here */
    }
    disconnect(): void {
      /* nothing was observed */
    }
  },
});

const nothing = () => undefined;
Object.assign(HTMLElement.prototype, { setPointerCapture: nothing });
Object.assign(HTMLMediaElement.prototype, { pause: nothing });

/** An interaction on the screen, with the answer it holds and what it said, for unit tests. */
export interface Shown {
  /** The answer now; of another answer place when it is named. */
  readonly answer: (identifier?: string) => RawResponse;
  /** The answer changes from outside: undone, started over, given on another device. */
  readonly give: (response: RawResponse) => void;
  /** Everything said to a screen reader at once, oldest first. */
  readonly said: readonly string[];
}

interface Options {
  readonly answer?: RawResponse;
  readonly readOnly?: boolean;
  /** Further response declarations, for those drawn inside the first. */
  readonly others?: string;
  /** What the item says of itself, e.g. its language. */
  readonly attributes?: string;
}

/** Reads an interaction from QTI and shows it; answers go in and come out as in the player. */
export async function show(
  declaration: string,
  body: string,
  { answer: start = null, readOnly = false, others = '', attributes = '' }: Options = {},
): Promise<Shown> {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="R" ${declaration}/>${others}<qti-item-body>${body}</qti-item-body>`,
    attributes,
  );
  const models = interactionsOf(item.body);
  const [first] = models;
  if (!first || problems.some((one) => one.severity === 'error'))
    throw new Error(`not read: ${problems.map((one) => one.message).join('; ')}`);
  await preloadViews(models);
  const answers = new Map<string, RawResponse>([['R', start]]);
  const said: string[] = [];
  let giveR: (response: RawResponse) => void = nothing;
  const One = ({ model }: { model: InteractionModel }) => {
    const identifier = model.responseIdentifier;
    const [response, setResponse] = useState(answers.get(identifier) ?? null);
    if (identifier === 'R') giveR = setResponse;
    const View = VIEW_OF[model.type];
    const shape = item.responses.find((one) => one.identifier === identifier);
    if (!View || !shape) throw new Error(`no view of ${model.type}`);
    return (
      <View
        model={model}
        response={response}
        shape={shape}
        onAnswer={(next) => {
          answers.set(identifier, next);
          setResponse(next);
        }}
        readOnly={readOnly}
        itemRef="test"
        position={{ index: 1, total: 1 }}
        slots={{ assetUrl: (path) => path }}
        announce={(words, about) => about === undefined && said.push(words)}
        mate={(other) => <One key={other.responseIdentifier} model={other} />}
      />
    );
  };
  await act(async () => {
    render(
      <IntlProvider locale="en" messages={english}>
        <One model={first} />
      </IntlProvider>,
    );
    await Promise.resolve();
  });
  return {
    answer: (identifier = 'R') => answers.get(identifier) ?? null,
    give: (response) => giveR(response),
    said,
  };
}

export const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });
