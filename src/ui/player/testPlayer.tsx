import english from '@messages/en.json';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { IntlProvider } from 'use-intl';
import { NEW_ATTEMPT, type AttemptState } from '@/core/attempt/state';
import { deliverItem } from '@/core/deliver/deliver';
import type { DeliveredItem, DeliveredPart, DeliveredTest } from '@/core/item/delivered';
import { USUAL } from '@/core/item/options';
import { NO_NEEDS } from '@/core/needs';
import { itemFrom } from '@/core/qti/testItem';
import { PLAIN_TEXT } from '@/core/view/text';
import { PlayerProvider, type PlayerValue } from '../attempt/PlayerContext';
import { NO_PLACES } from '../attempt/offline/places';
import { ServerClock } from '../attempt/session/clock';
import type { Journal } from '../attempt/session/journal';
import { AttemptSession } from '../attempt/session/session';
import type { Transport } from '../attempt/session/transport';

/** Parts of the question screen without a server, for unit tests. */
export interface TestPlayer {
  readonly session: AttemptSession;
  readonly said: readonly string[];
  /** What was asked to be checked, by which button. */
  readonly checked: readonly { readonly ref: string; readonly by: string | null }[];
  readonly show: (part: ReactNode) => void;
}

/** An item as a browser gets it, from a fragment of QTI. */
export const delivered = (ref: string, inside: string, more: Partial<DeliveredItem> = {}): DeliveredItem => ({
  ...deliverItem(itemFrom(inside).item, ref, 'seed'),
  ...more,
});

/** One question with round marks, for tests that only need some question. */
export const someQuestion = (ref: string, more: Partial<DeliveredItem> = {}): DeliveredItem =>
  delivered(
    ref,
    `<qti-response-declaration identifier="R" cardinality="single" base-type="identifier"/>
     <qti-item-body><qti-choice-interaction response-identifier="R" max-choices="1"><qti-simple-choice identifier="A">ebb</qti-simple-choice><qti-simple-choice identifier="B">flow</qti-simple-choice></qti-choice-interaction></qti-item-body>`,
    more,
  );

const journal: Journal = {
  append: () => Promise.resolve(),
  forget: () => Promise.resolve(),
  kept: () => Promise.resolve(new Map()),
};
/** A network that is down: everything stays in the page. */
const unplugged = () => Promise.reject(new TypeError('network'));
const transport: Transport = {
  content: unplugged,
  resume: unplugged,
  save: unplugged,
  check: unplugged,
  goOn: unplugged,
  stop: unplugged,
  handIn: unplugged,
};

/** A test with parts, and a server that answers. */
interface Staging {
  readonly parts?: readonly DeliveredPart[];
  readonly server?: Partial<Transport>;
}

/** A player with these questions. What is done goes through the real session and reducer. */
export function testPlayer(
  items: readonly DeliveredItem[],
  state: Partial<AttemptState> = {},
  stimuli: DeliveredTest['stimuli'] = {},
  { parts, server = {} }: Staging = {},
): TestPlayer {
  const test: DeliveredTest = {
    title: 'Tides',
    language: 'en',
    directions: [],
    timeLimit: null,
    parts: parts ?? [
      {
        identifier: 'p',
        title: 'Part',
        navigation: 'nonlinear',
        status: 'open',
        count: items.length,
        limit: null,
        isCertain: true,
        sections: [
          {
            identifier: 's',
            title: 'Shore',
            directions: [],
            first: items[0]?.ref ?? '',
            items: items.map((item) => item.ref),
          },
        ],
      },
    ],
    count: parts?.reduce((sum, part) => sum + part.count, 0) ?? items.length,
    clocks: [],
    given: USUAL,
    items: Object.fromEntries(items.map((item, i) => [item.ref, { ...item, number: i + 1 }])),
    stimuli,
    assets: [],
  };
  const session = new AttemptSession(
    {
      device: 'page',
      state: { ...NEW_ATTEMPT, phase: 'running', ...state },
      cursor: 0,
    },
    { test, student: { displayName: 'Wren Halloran', needs: NO_NEEDS, tries: false } },
    new ServerClock(1_000_000, () => 0),
    // Never told that it is kept: nothing changes by itself while a test looks on.
    { journal, places: { ...NO_PLACES, keep: () => new Promise<void>(() => undefined) } },
    { ...transport, ...server },
    { set: () => null, clear: () => undefined },
  );
  const said: string[] = [];
  const checked: { ref: string; by: string | null }[] = [];
  const value: PlayerValue = {
    session,
    test,
    studentName: 'Wren Halloran',
    needs: NO_NEEDS,
    layout: 'wide',
    tight: false,
    look: { scheme: 'paper', magnification: 1, inverted: false, own: null, text: PLAIN_TEXT },
    assetUrl: (path) => path,
    rehearsal: null,
    goesOnOffline: false,
    announce: (words) => words !== '' && said.push(words),
    dispatch: (action) => session.dispatch(action),
    check: (ref, by) => {
      checked.push({ ref, by });
      return Promise.resolve(true);
    },
  };
  const show = (part: ReactNode) => {
    render(
      <IntlProvider locale="en" messages={english}>
        <PlayerProvider value={value}>{part}</PlayerProvider>
      </IntlProvider>,
    );
  };
  return { session, said, checked, show };
}
