import { TextDecoder, TextEncoder } from 'node:util';
import english from '@messages/en.json';
import { act, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { IntlProvider } from 'use-intl';
import { interactionsOf } from '@/core/item/content';
import type { RawResponse } from '@/core/item/response';
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
  /** The answer now. */
  readonly answer: () => RawResponse;
  /** Everything said to a screen reader, oldest first. */
  readonly said: readonly string[];
}

/** Reads an interaction from QTI and shows it; answers go in and come out as in the player. */
export async function show(
  declaration: string,
  body: string,
  { answer: start = null, readOnly = false }: { answer?: RawResponse; readOnly?: boolean } = {},
): Promise<Shown> {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="R" ${declaration}/><qti-item-body>${body}</qti-item-body>`,
  );
  const [model] = interactionsOf(item.body);
  const [shape] = item.responses;
  if (!model || !shape || problems.some((one) => one.severity === 'error'))
    throw new Error(`not read: ${problems.map((one) => one.message).join('; ')}`);
  await preloadViews([model]);
  const View = VIEW_OF[model.type];
  if (!View) throw new Error('no view');
  let answer = start;
  const said: string[] = [];
  const Host = () => {
    const [response, setResponse] = useState(start);
    return (
      <View
        model={model}
        response={response}
        shape={shape}
        onAnswer={(next) => {
          answer = next;
          setResponse(next);
        }}
        readOnly={readOnly}
        itemRef="test"
        position={{ index: 1, total: 1 }}
        slots={{ assetUrl: (path) => path }}
        announce={(words) => said.push(words)}
      />
    );
  };
  await act(async () => {
    render(
      <IntlProvider locale="en" messages={english}>
        <Host />
      </IntlProvider>,
    );
    await Promise.resolve();
  });
  return { answer: () => answer, said };
}

export const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });
