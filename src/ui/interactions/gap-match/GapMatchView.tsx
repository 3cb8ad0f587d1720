'use client';

import { useTranslations } from 'use-intl';
import { gapBoard, type GapMatchModel } from '@/core/interactions/gap-match';
import { ContentView } from '../../content/ContentView';
import { Slot } from '../shared/placing/Places';
import { PlacingArea } from '../shared/placing/PlacingArea';
import { usePlacing } from '../shared/placing/usePlacing';
import type { InteractionProps } from '../types';
import styles from './gapMatch.module.css';

/** Words, numbers or pictures into the gaps of a text: by dragging, by press and press, by keys. */
export function GapMatchView(props: InteractionProps<GapMatchModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.placing');
  const placing = usePlacing(props, gapBoard(model), model.choices, (gap) =>
    t('box', { number: model.gaps.indexOf(gap) + 1, total: model.gaps.length }),
  );
  return (
    <PlacingArea placing={placing} model={model} slots={slots}>
      <div className={styles.text}>
        <ContentView
          content={model.content}
          slots={{
            ...slots,
            place: (_role, gap) => <Slot key={gap} place={gap} placing={placing} slots={slots} look="gap" />,
          }}
        />
      </div>
    </PlacingArea>
  );
}
