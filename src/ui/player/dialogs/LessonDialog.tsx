'use client';

import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { interactionsOf } from '@/core/content/content';
import type { DeliveredItem } from '@/core/item/delivered';
import { lessonFor, VIEW_OF } from '../../interactions';
import { kindName } from '../../interactions/kindName';
import type { Lesson } from '../../interactions/lesson';
import styles from './dialogs.module.css';
import { Dialog } from './Dialog';
import { Button } from '../../kit/Button';

interface Props {
  readonly item: DeliveredItem;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** How this kind of question is answered, step by step on a sample; nothing moves by itself and nothing here is an answer. */
export function LessonDialog({ item, open, onClose }: Props) {
  const t = useTranslations('lessons');
  const types = [...new Set(interactionsOf(item.body).map((one) => one.type))];
  const [chosen, setChosen] = useState(0);
  const [step, setStep] = useState(0);
  const type = types[Math.min(chosen, types.length - 1)];
  const lesson = useLesson(open ? type : undefined);
  const steps = lesson?.steps.length ?? 1;
  const at = Math.min(step, steps - 1);
  return (
    <Dialog
      open={open}
      wide
      title={t('title')}
      onClose={onClose}
      actions={[
        { words: t('close'), act: onClose },
        { words: t('back'), act: () => setStep(at - 1), disabled: at === 0 },
        { words: t('next'), act: () => setStep(at + 1), disabled: at >= steps - 1, main: true },
      ]}
    >
      {types.length > 1 && (
        <div className={styles.kinds} role="group" aria-label={t('title')}>
          {types.map((one, i) => (
            <Button
              key={one}

              aria-pressed={one === type}
              onClick={() => {
                setChosen(i);
                setStep(0);
              }}
            >
              {t(`names.${kindName(one)}`)}
            </Button>
          ))}
        </div>
      )}
      {lesson && type && <Shown key={type} type={type} lesson={lesson} step={at} />}
    </Dialog>
  );
}

function useLesson(type: string | undefined): Lesson | null {
  const [found, setFound] = useState<{ type: string; lesson: Lesson } | null>(null);
  useEffect(() => {
    let gone = false;
    if (type !== undefined)
      lessonFor(type).then(
        (lesson) => {
          if (!gone && lesson) setFound({ type, lesson });
        },
        () => undefined,
      );
    return () => {
      gone = true;
    };
  }, [type]);
  return found !== null && found.type === type ? found.lesson : null;
}

function Shown({ type, lesson, step }: { type: string; lesson: Lesson; step: number }) {
  const t = useTranslations('lessons');
  const View = VIEW_OF[type];
  const kind = kindName(type);
  const words = t.raw(`kinds.${kind}.steps`) as string[];
  const keys = t.raw(`kinds.${kind}.keys`) as string[];
  return (
    <>
      <p className={styles.stepWords} role="status" data-step={step}>
        <b>{t('step', { step: step + 1, steps: lesson.steps.length })}</b> {words[step]}
      </p>
      {/* Drawn afresh at each step, so that an editor shows the step's answer and nothing else. */}
      <div className={styles.sample} inert>
        {View && (
          <View
            key={step}
            model={lesson.model}
            response={lesson.steps[step] ?? null}
            shape={lesson.shape}
            onAnswer={() => undefined}
            readOnly
            itemRef="lesson"
            position={{ index: 1, total: 1 }}
            slots={{ assetUrl: (path) => path }}
            announce={() => undefined}
          />
        )}
      </div>
      <h3>{t('keys')}</h3>
      <ul className={styles.lessonKeys}>
        {keys.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );
}
