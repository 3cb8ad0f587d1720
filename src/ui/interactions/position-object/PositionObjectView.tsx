'use client';

import { useContext, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { PositionObjectModel } from '@/core/interactions/position-object';
import { Stage } from '../shared/stage/Stage';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './positionObject.module.css';
import { StageContext, StageObject } from './StageObject';
import { Hint } from '../shared/Hint';

/**
 * Objects put down on a stage: dragged there, pressed there, or put there by button and keys. Several objects may share a
 * stage; the first draws it and the others join it.
 */
export function PositionObjectView(props: InteractionProps<PositionObjectModel>) {
  const stage = useContext(StageContext);
  return stage ? <StageObject {...props} stage={stage} /> : <WholeStage {...props} />;
}

function WholeStage(props: InteractionProps<PositionObjectModel>) {
  const { model, slots, mate } = props;
  const t = useTranslations('interactions.graphic');
  const [layer, setLayer] = useState<HTMLElement | null>(null);
  const [active, activate] = useState(model.responseIdentifier);
  const mates = model.mates ?? [];
  const alone = mates.length === 0;
  return (
    <Task model={model} slots={slots}>
      <Hint>{t(alone ? 'objectHint' : 'objectsHint')}</Hint>
      <Stage
        name={t('picture')}
        picture={model.stage}
        assetUrl={slots.assetUrl}
        above={(size) => {
          const stage = { size, layer, active, activate, alone };
          return (
            <StageContext value={stage}>
              <StageObject {...props} stage={stage} />
              {mates.map((one) => mate?.(one))}
            </StageContext>
          );
        }}
        over={() => <div ref={setLayer} className={styles.layer} />}
      />
    </Task>
  );
}
