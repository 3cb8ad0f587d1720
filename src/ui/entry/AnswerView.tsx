'use client';

import { Check, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { InteractionModel } from '@/core/interactions/types';
import { interactionsOf } from '@/core/content/content';
import type { DeliveredItem } from '@/core/item/delivered';
import type { RawResponse } from '@/core/content/response';
import { own } from '@/core/own';
import content from '../content/content.module.css';
import { ContentView, WrittenIn, type ContentSlots } from '../content/ContentView';
import { useStyled } from '../content/useStyled';
import { VIEW_OF } from '../interactions';
import { Vocabulary } from '../interactions/Vocabulary';
import styles from './entry.module.css';

interface Props {
  readonly item: DeliveredItem;
  readonly responses: Readonly<Record<string, RawResponse>>;
  readonly assetUrl: (path: string) => string;
  /** Whether a response is right, where that is told. */
  readonly marks?: Readonly<Record<string, boolean>>;
}

const ignore = () => undefined;

/** A question with an answer in it, to be looked at: every interaction in its read-only form. */
export function AnswerView({ item, responses, assetUrl, marks = {} }: Props) {
  const t = useTranslations('answers');
  const all = interactionsOf(item.body);
  const slots: ContentSlots = { assetUrl };
  const answerOf = (model: InteractionModel): ReactNode => {
    const View = VIEW_OF[model.type];
    const shape = item.responses.find((one) => one.identifier === model.responseIdentifier);
    const alike = all.filter((one) => one.type === model.type);
    const right = own(marks, model.responseIdentifier);
    return (
      View &&
      shape && (
        <Vocabulary key={model.responseIdentifier} model={model}>
          <View
            model={model}
            response={responses[model.responseIdentifier] ?? null}
            shape={shape}
            onAnswer={ignore}
            readOnly
            itemRef={item.ref}
            position={{ index: alike.indexOf(model) + 1, total: alike.length }}
            slots={slots}
            announce={ignore}
            mate={answerOf}
          />
          {right !== undefined && all.length > 1 && (
            <span className={styles.verdict} data-right={right || undefined}>
              {right ? <Check size="1.2em" aria-hidden="true" /> : <X size="1.2em" aria-hidden="true" />}
              {t(right ? 'right' : 'wrong')}
            </span>
          )}
        </Vocabulary>
      )
    );
  };
  const styled = useStyled(item.styles);
  const body: ContentSlots = { ...slots, enlarge: true, interaction: answerOf };
  return (
    <WrittenIn language={item.language}>
      <fieldset className={`able-closed ${content.content}`} disabled {...styled}>
        <ContentView content={item.body} slots={body} />
      </fieldset>
    </WrittenIn>
  );
}
