'use client';

import { own } from '@/core/own';
import { isClosed, itemOf } from '@/core/attempt/state';
import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import type { InteractionModel } from '@/core/interactions/types';
import type { DeliveredItem } from '@/core/item/delivered';
import { interactionsOf } from '@/core/content/content';
import { ContentView, type ContentSlots } from '../../content/ContentView';
import { useStyled } from '../../content/useStyled';
import { VIEW_OF } from '../../interactions';
import { nameOfAnswers } from '@/core/item/said';
import { TaskWordsProvider } from '../../interactions/taskName';
import { Vocabulary } from '../../interactions/Vocabulary';
import { CHOICE_MARKS } from '../../tools';
import { useIsHere } from '../../tools/useIsHere';
import { useGestures } from '../../attempt/gestures';
import { useAttempt, useKept, useKeptAt, usePlayer } from '../../attempt/PlayerContext';

/** How the student writes maths. */
const WRITING = { schema: z.object({ typed: z.boolean() }), initial: () => ({ typed: false }) };

/** What programs of a package keep of themselves at a question, by response. */
const PROGRAM = {
  schema: z.object({ states: z.record(z.string(), z.string()) }),
  initial: () => ({ states: {} }),
};

/** Binds one interaction to the attempt: what was answered goes in, what is answered comes out as an event. */
function InteractionHost({
  model,
  item,
  slots,
  onCheck,
}: {
  model: InteractionModel;
  item: DeliveredItem;
  slots: ContentSlots;
  onCheck: (by: string) => void;
}) {
  const t = useTranslations('player');
  const { dispatch, announce } = usePlayer();
  const goesOn = useGestures();
  const isHere = useIsHere(item.ref);
  const [{ typed }, keepWriting] = useKept('writing', WRITING);
  const [{ states }, keepState] = useKeptAt('portable', item.ref, PROGRAM);
  const { responseIdentifier } = model;
  const response = useAttempt((state) => own(itemOf(state, item.ref).responses, responseIdentifier) ?? null);
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const struck = useAttempt((state) => own(itemOf(state, item.ref).struck, responseIdentifier));
  const shape = item.responses.find((one) => one.identifier === responseIdentifier);
  const View = VIEW_OF[model.type];
  const all = useMemo(
    () => interactionsOf(item.body).filter((one) => one.type === model.type),
    [item.body, model.type],
  );
  const position = {
    index: all.findIndex((one) => one.responseIdentifier === responseIdentifier) + 1,
    total: all.length,
  };
  if (!View || !shape) return <p role="alert">{t('cannotShow')}</p>;
  return (
    <View
      model={model}
      response={response}
      shape={shape}
      itemRef={item.ref}
      position={position}
      slots={slots}
      announce={announce}
      readOnly={closed}
      struck={struck}
      ownState={{
        value: own(states, responseIdentifier) ?? null,
        set: (value) => keepState({ states: { ...states, [responseIdentifier]: value } }),
      }}
      typing={{ on: typed, set: (on) => keepWriting({ typed: on }) }}
      choiceMark={(mark) =>
        CHOICE_MARKS.filter(({ tool }) => isHere(tool)).map(({ tool, Mark }) => (
          <Mark key={tool.id} itemRef={item.ref} response={responseIdentifier} {...mark} />
        ))
      }
      mate={(other) => (
        <InteractionHost
          key={other.responseIdentifier}
          model={other}
          item={item}
          slots={slots}
          onCheck={onCheck}
        />
      )}
      endTry={item.tries !== null && !closed ? () => onCheck(responseIdentifier) : undefined}
      onAnswer={(next, how = 'edit') => {
        const moving = goesOn(`${item.ref} ${responseIdentifier}`) && how === 'edit';
        dispatch({
          type: 'answered',
          item: item.ref,
          responses: { [responseIdentifier]: next },
          how: moving ? 'moving' : how,
        });
      }}
    />
  );
}

/** The body of a question with its interactions in their places. */
export function ItemBody({ item, onCheck }: { item: DeliveredItem; onCheck: (by: string) => void }) {
  const { assetUrl } = usePlayer();
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const slots: ContentSlots = { assetUrl };
  const withInteractions: ContentSlots = {
    ...slots,
    enlarge: true,
    interaction: (model) => (
      <Vocabulary key={model.responseIdentifier} model={model}>
        <InteractionHost model={model} item={item} slots={slots} onCheck={onCheck} />
      </Vocabulary>
    ),
  };
  const name = useMemo(() => nameOfAnswers(item), [item]);
  const styled = useStyled(item.styles);
  const content = <ContentView content={item.body} slots={withInteractions} />;
  const body = (
    <TaskWordsProvider value={name}>
      {item.styles ? <div {...styled}>{content}</div> : content}
    </TaskWordsProvider>
  );
  return closed ? (
    <fieldset className="able-closed" disabled>
      {body}
    </fieldset>
  ) : (
    body
  );
}
