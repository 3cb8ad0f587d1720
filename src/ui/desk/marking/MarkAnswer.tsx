'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { AnswerToMark } from '@/core/wire/marking';
import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { MOST_NOTE } from '@/core/wire/requests';
import type { PersonPoints } from '@/core/marking/marking';
import content from '../../content/content.module.css';
import { ContentTitle, ContentView, WrittenIn } from '../../content/ContentView';
import { AnswerView } from '../../entry/AnswerView';
import entry from '../../entry/entry.module.css';
import { InWords } from '../../entry/InWords';
import { Passages } from '../../entry/Passages';
import { useAsk } from '../../entry/useAsk';
import { Fold } from '../../kit/Fold';
import { assetAddress } from '../../player/useAssets';
import { DeskPage } from '../DeskPage';
import { PointsField } from './PointsField';
import styles from './marking.module.css';

interface Props {
  readonly user: DeskUser;
  readonly answer: AnswerToMark;
  /** Answers to this question that wait for this reader, this one with them; null where it is one they have marked. */
  readonly left: number | null;
}

/** One answer as it was handed in, without a name, beside what it is marked by. */
export function MarkAnswer({ user, ...rest }: Props) {
  return (
    <DeskPage user={user} place="marking">
      <Marking {...rest} />
    </DeskPage>
  );
}

function Marking({ answer, left }: Pick<Props, 'answer' | 'left'>) {
  const t = useTranslations('marking');
  const assetUrl = (path: string) => assetAddress(answer.attemptId, path);
  return (
    <>
      <h1>
        <ContentTitle language={answer.item.language}>{answer.title}</ContentTitle>
      </h1>
      <p className={entry.soft}>
        {answer.test} · {left === null ? t('yourOwn') : t('left', { count: left })}
      </p>
      <div className={styles.sides}>
        <section className={entry.answer} aria-label={t('answer')}>
          <AnswerView item={answer.item} responses={answer.responses} assetUrl={assetUrl} />
          <InWords item={answer.item} responses={answer.responses} />
          {answer.item.stimuli.length > 0 && (
            <Fold title={t('passage')}>
              <Passages names={answer.item.stimuli} stimuli={answer.stimuli} assetUrl={assetUrl} />
            </Fold>
          )}
        </section>
        <div className={styles.by}>
          {answer.rubrics.length > 0 && (
            <section className={`${entry.answer} ${content.content}`} aria-labelledby="rubric">
              <h2 id="rubric">{t('rubric')}</h2>
              <WrittenIn language={answer.item.language}>
                {answer.rubrics.map((one, i) => (
                  <ContentView key={i} content={one} slots={{ assetUrl }} />
                ))}
              </WrittenIn>
            </section>
          )}
          <PointsForm answer={answer} again={left === null} />
        </div>
      </div>
    </>
  );
}

function PointsForm({ answer, again }: Pick<Props, 'answer'> & { readonly again: boolean }) {
  const t = useTranslations('marking');
  const { working, problem, ask } = useAsk();
  const [points, setPoints] = useState<PersonPoints>(answer.own?.points ?? {});
  const [note, setNote] = useState(answer.own?.note ?? '');
  const [missing, setMissing] = useState(false);
  const id = useId();
  const here = `/desk/marking/${answer.testId}/${encodeURIComponent(answer.ref)}`;
  const onward = () => window.location.assign(`${here}?${again ? 'again&' : ''}after=${answer.attemptId}`);
  const all = answer.traits.every(({ outcome }) => Object.hasOwn(points, outcome));
  const keep = async () => {
    setMissing(!all);
    if (!all || working) return;
    const kept = await ask(`/api/attempts/${answer.attemptId}/marks`, { item: answer.ref, points, note });
    if (kept) onward();
  };
  return (
    <form
      className={`${entry.answer} ${styles.form}`}
      aria-label={t('points')}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {answer.differ && (
        <p>
          <b>{t('third', { first: answer.differ[0], second: answer.differ[1] })}</b>
        </p>
      )}
      {answer.machine !== null && <p>{t('machine', { points: answer.machine })}</p>}
      {answer.traits.map((trait, i) => (
        <PointsField
          key={trait.outcome}
          trait={trait}
          first={i === 0}
          value={points[trait.outcome] ?? null}
          onChange={(given) => {
            const { [trait.outcome]: _before, ...others } = points;
            setPoints(given === null ? others : { ...others, [trait.outcome]: given });
          }}
        />
      ))}
      {missing && !all && (
        <p role="alert">
          <b>{t('missing')}</b>
        </p>
      )}
      <label htmlFor={id} className={styles.noteLabel}>
        {t('note')}
      </label>
      <Input.TextArea
        id={id}
        value={note}
        maxLength={MOST_NOTE}
        autoSize={{ minRows: 2, maxRows: 6 }}
        onChange={({ target }) => setNote(target.value)}
      />
      {problem}
      <div className={styles.ways}>
        <Button type="primary" size="large" htmlType="submit" aria-disabled={working || undefined}>
          {t('keep')}
        </Button>
        <Button size="large" onClick={onward}>
          {t('later')}
        </Button>
        <Button size="large" href="/desk/marking">
          {t('back')}
        </Button>
      </div>
    </form>
  );
}
