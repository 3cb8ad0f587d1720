import { paint } from '../annotate/ranges';
import { responseTexts } from '../content/response';
import { wordsBegun } from '../content/words';
import { SERVER, type AttemptEvent, type BrowserEvent } from './events';
import { may } from './may';
import {
  itemOf,
  NEW_ATTEMPT,
  partKey,
  WHOLE_TEST,
  type AttemptState,
  type Highlight,
  type Holder,
  type ItemState,
  type Responses,
} from './state';
import { own } from '../own';
import type { Stage } from '../sitting/stage';
import type { Millis } from './timing';

/** Steps of undo kept per question. */
const UNDO_DEPTH = 60;
/** Letters of one word typed within this of one another are one step of undo. */
const TYPING_PAUSE = 1500;

type Answered = Extract<AttemptEvent, { type: 'answered' }>;

const withItem = (
  state: AttemptState,
  ref: string,
  change: (item: ItemState) => Partial<ItemState>,
): AttemptState => {
  const item = itemOf(state, ref);
  return { ...state, items: { ...state.items, [ref]: { ...item, ...change(item) } } };
};

/** Choosing a struck choice brings it back. */
function withoutChosen(struck: ItemState['struck'], changes: Responses): ItemState['struck'] {
  const touched = Object.entries(changes).filter(([response]) => (own(struck, response)?.length ?? 0) > 0);
  if (touched.length === 0) return struck;
  const freed = touched.map(([response, value]) => {
    const chosen = responseTexts(value);
    return [response, (own(struck, response) ?? []).filter((choice) => !chosen.includes(choice))] as const;
  });
  return { ...struck, ...Object.fromEntries(freed) };
}

function answer(item: ItemState, event: Answered): Partial<ItemState> {
  const changes = event.responses;
  const names = Object.keys(changes);
  const [only] = names;
  if (only === undefined) return {};
  const responses = { ...item.responses, ...changes };
  const base = { responses, struck: withoutChosen(item.struck, changes) };
  if (event.how === 'happened') return base;
  if (event.how === 'undo') {
    return {
      ...base,
      typing: null,
      past: item.past.slice(0, -1),
      future: [item.responses, ...item.future].slice(0, UNDO_DEPTH),
    };
  }
  const past = [...item.past, item.responses].slice(-UNDO_DEPTH);
  if (event.how === 'redo') return { ...base, typing: null, past, future: item.future.slice(1) };
  if (event.how === 'typing') {
    const goesOn =
      item.typing?.response === only &&
      wordsBegun(own(item.responses, only) ?? null) === wordsBegun(changes[only] ?? null) &&
      event.at - item.typing.at < TYPING_PAUSE;
    return { ...base, typing: { response: only, at: event.at }, past: goesOn ? item.past : past, future: [] };
  }
  // The gesture's first change made the step; what follows in it is that step still.
  if (event.how === 'moving' && item.past.length > 0) return { ...base, typing: null, future: [] };
  return { ...base, typing: null, past, future: [] };
}

function highlight(state: AttemptState, event: Extract<AttemptEvent, { type: 'highlighted' }>): AttemptState {
  const before = own(state.highlights, event.text) ?? [];
  const known = new Map(before.map((one) => [one, one.exact]));
  const painted = paint(before, event.start, event.end, event.colour).map((range): Highlight => {
    const same = [...known.keys()].find((one) => one.start === range.start && one.end === range.end);
    const pieces = [...before, { start: event.start, end: event.end, exact: event.exact }];
    return { ...range, exact: same?.exact ?? wordsFrom(pieces, range.start, range.end) };
  });
  if (painted.length > MOST.highlights) return state;
  return { ...state, highlights: { ...state.highlights, [event.text]: painted } };
}

/** The words of a stretch, put together from the quotes that cover it. */
function wordsFrom(
  pieces: readonly { start: number; end: number; exact: string }[],
  start: number,
  end: number,
): string {
  let text = '';
  for (let at = start; at < end;) {
    const piece = pieces.find((one) => one.start <= at && one.end > at);
    if (!piece) return text;
    const until = Math.min(end, piece.end);
    text += piece.exact.slice(at - piece.start, until - piece.start);
    at = until;
  }
  return text;
}

const HOLDER_OF: Readonly<Record<Extract<AttemptEvent, { type: 'stopped' }>['reason'], Holder>> = {
  asked: 'student',
  proctor: 'proctor',
  lost: 'lost',
  moved: 'lost',
};
const withHolder = (holds: readonly Holder[], holder: Holder): readonly Holder[] =>
  holds.includes(holder) ? holds : [...holds, holder];

/** Milliseconds more for the open part and the open question on the screen. */
function moreHere(
  { stage, current }: AttemptState,
  times: AttemptState['spent'],
  ms: Millis,
): AttemptState['spent'] {
  const keys = [
    ...(current !== null && stage?.open.includes(current) ? [current] : []),
    ...(stage?.part == null ? [] : [partKey(stage.part)]),
  ];
  const more = keys.map((key) => [key, (own(times, key) ?? 0) + ms] as const);
  return { ...times, ...Object.fromEntries(more) };
}

/** Time on the screen up to a moment, counted to the question and the part it was spent on. */
function counted(state: AttemptState, at: Millis): AttemptState {
  const { stage, phase, countedTo } = state;
  if (!stage || phase !== 'running' || countedTo === null || at <= countedTo) return state;
  return { ...state, spent: moreHere(state, state.spent, at - countedTo), countedTo: at };
}

/** It stands there now, and the question it leads to is on the screen. */
function standingAt(before: AttemptState, stage: Stage): AttemptState {
  const { at, lookable } = stage;
  const state = at === null ? before : withItem(before, at, () => ({ opened: true }));
  const stays = before.current !== null && lookable.includes(before.current);
  return { ...state, stage, current: at ?? (stays ? before.current : null) };
}

/** The stretch that runs is closed and counted. */
function halted(before: AttemptState, at: Millis): AttemptState {
  const state = counted(before, at);
  const { runningSince, used } = state.timing;
  const stretch = runningSince === null ? 0 : Math.max(0, at - runningSince);
  return { ...state, timing: { ...state.timing, used: used + stretch, runningSince: null } };
}

/** Units kept as seen per question, and highlights per text: more than any question has. */
const MOST = { seen: 2_000, highlights: 2_000 } as const;

const fromBrowser = (event: AttemptEvent): event is BrowserEvent => event.device !== SERVER;

/**
 * The attempt: the same function in the browser and on the server. Pure; an event that may not be changes nothing. Events come
 * in their one order (`compareEvents`); `History` sees to that.
 */
export function reduce(state: AttemptState, event: AttemptEvent): AttemptState {
  if (fromBrowser(event) && may(state, event, event.at) !== null) return state;
  switch (event.type) {
    case 'begun':
      if (state.phase !== 'not-started') return state;
      return {
        ...(event.stage ? standingAt(state, event.stage) : state),
        form: event.form ?? null,
        phase: 'running',
        timing: { limit: event.limit, used: 0, runningSince: event.at },
        countedTo: event.at,
      };
    case 'went-on':
      return state.phase === 'running' ? standingAt(counted(state, event.at), event.stage) : state;
    case 'resumed': {
      if (state.phase !== 'stopped') return state;
      const holds = state.holds.filter((one) => (one === 'proctor') !== (event.proctor ?? false));
      if (holds.length > 0) return { ...state, holds };
      return {
        ...state,
        holds,
        phase: 'running',
        timing: { ...state.timing, runningSince: event.at },
        countedTo: event.at,
      };
    }
    case 'stopped':
      return state.phase === 'running' || state.phase === 'stopped'
        ? {
            ...halted(state, event.at),
            phase: 'stopped',
            holds: withHolder(state.holds, HOLDER_OF[event.reason]),
          }
        : state;
    case 'time-added': {
      if (state.phase !== 'running' && state.phase !== 'stopped') return state;
      const { limit } = state.timing;
      return {
        ...state,
        timing: { ...state.timing, limit: limit === null ? null : limit + event.ms },
        added: {
          ...moreHere(state, state.added, event.ms),
          [WHOLE_TEST]: (own(state.added, WHOLE_TEST) ?? 0) + event.ms,
        },
      };
    }
    case 'handed-in':
      return state.phase === 'running' || state.phase === 'stopped'
        ? { ...halted(state, event.at), phase: 'handed-in', holds: [] }
        : state;
    case 'locked':
      return {
        ...state,
        locked: { since: event.at, items: [...new Set([...(state.locked?.items ?? []), ...event.items])] },
      };
    case 'unlocked':
      return { ...state, locked: null };
    case 'left':
      return { ...state, away: state.away ?? { how: event.how, since: event.at } };
    case 'returned':
      return { ...state, away: null };
    // For whoever supervises only.
    case 'battery':
      return state;
    case 'answered':
      return withItem(state, event.item, (item) => answer(item, event));
    case 'checked':
      return withItem(state, event.item, () => ({ tries: event.tries, closed: event.closed }));
    case 'opened':
      return {
        ...withItem(counted(state, event.at), event.item, () => ({ opened: true })),
        current: event.item,
      };
    case 'flagged':
      return withItem(state, event.item, () => ({ flagged: event.on }));
    case 'seen':
      return withItem(state, event.item, (item) => ({
        seen: [...new Set([...item.seen, ...event.units])].slice(0, MOST.seen),
      }));
    case 'reminded':
      return withItem(state, event.item, () => ({ reminded: true }));
    case 'struck':
      return withItem(state, event.item, (item) => {
        const rest = (own(item.struck, event.response) ?? []).filter((choice) => choice !== event.choice);
        return { struck: { ...item.struck, [event.response]: event.on ? [...rest, event.choice] : rest } };
      });
    case 'highlighted':
      return highlight(state, event);
    case 'highlights-cleared': {
      if (event.text === null) return { ...state, highlights: {} };
      const rest = Object.entries(state.highlights).filter(([text]) => text !== event.text);
      return { ...state, highlights: Object.fromEntries(rest) };
    }
    case 'tool-kept':
      return {
        ...state,
        tools: { ...state.tools, [event.tool]: { ...own(state.tools, event.tool), ...event.state } },
      };
  }
}

/** The state after events that are already in their order. */
export function replay(events: Iterable<AttemptEvent>, from: AttemptState = NEW_ATTEMPT): AttemptState {
  let state = from;
  for (const event of events) state = reduce(state, event);
  return state;
}
