'use client';

import { Checkbox, Select } from 'antd';
import { useTranslations } from 'use-intl';
import { NO_NEEDS, type AccessNeeds } from '@/core/needs';
import { SUPPORTS } from '@/core/needs/pnp';
import { SCHEME_IDS, type SchemeId } from '@/core/view/schemes';
import { FACES, PLAIN_TEXT, WIDE_SPACING, type Face } from '@/core/view/text';
import { Labelled } from '../../entry/Labelled';
import { TOOLS } from '../../tools';
import { Several, useToolNames } from '../Several';
import styles from './people.module.css';

interface Props {
  readonly needs: AccessNeeds;
  readonly onChange: (needs: AccessNeeds) => void;
}

const TIMES = [1, 1.25, 1.5, 2] as const;
const SIZES = [1, 1.25, 1.5, 1.75, 2, 2.5, 3, 4] as const;
/** What a scheme's list says while two colors of the student's own stand in its place. */
const OWN = 'own';
const GIVEN = TOOLS.filter(({ access }) => access === 'asked-for' || typeof access === 'object');
/** Those that can begin switched on: what a need changes nothing of is not offered. */
const BEGIN_ON = TOOLS.filter(({ id, state }) => {
  const begins = (toolsOn: string[]) => JSON.stringify(state.initial({ ...NO_NEEDS, toolsOn }));
  return begins([id]) !== begins([]);
});

/** Each need in a field of its own. */
export function NeedsFields({ needs, onChange }: Props) {
  return (
    <div className={styles.fields}>
      <LookFields needs={needs} onChange={onChange} />
      <HelpFields needs={needs} onChange={onChange} />
    </div>
  );
}

/** Time, and how the page looks. */
function LookFields({ needs, onChange }: Props) {
  const t = useTranslations('person.needs');
  const schemes = useTranslations('tools.colours.schemes');
  const faces = useTranslations('tools.text.faces');
  const change = (part: Partial<AccessNeeds>) => onChange({ ...needs, ...part });
  const { text } = needs;
  const spaced = { ...text, ...WIDE_SPACING };
  const isSpaced = JSON.stringify(spaced) === JSON.stringify(text);
  const { leading, letters, words, paragraphs } = PLAIN_TEXT;
  return (
    <>
      <Labelled label={t('time')}>
        {(id) => (
          <Select<AccessNeeds['timeMultiplier']>
            id={id}
            size="large"
            value={needs.timeMultiplier}
            onChange={(timeMultiplier) => change({ timeMultiplier })}
            options={TIMES.map((value) => ({ value, label: t('times', { factor: value }) }))}
          />
        )}
      </Labelled>
      <Labelled label={t('scheme')}>
        {(id) => (
          <Select<SchemeId | typeof OWN>
            id={id}
            size="large"
            showSearch={{ optionFilterProp: 'label' }}
            value={needs.own ? OWN : needs.scheme}
            onChange={(scheme) => scheme !== OWN && change({ scheme, own: null })}
            options={[
              ...(needs.own ? [{ value: OWN, label: t('own') } as const] : []),
              ...SCHEME_IDS.map((value) => ({ value, label: schemes(value) })),
            ]}
          />
        )}
      </Labelled>
      <Labelled label={t('size')}>
        {(id) => (
          <Select<number>
            id={id}
            size="large"
            value={needs.magnification}
            onChange={(magnification) => change({ magnification })}
            options={[...new Set([...SIZES, needs.magnification])]
              .sort((a, b) => a - b)
              .map((value) => ({ value, label: t('percent', { percent: Math.round(value * 100) }) }))}
          />
        )}
      </Labelled>
      <Labelled label={t('face')}>
        {(id) => (
          <Select<Face>
            id={id}
            size="large"
            value={text.face}
            onChange={(face) => change({ text: { ...text, face } })}
            options={FACES.map((value) => ({ value, label: faces(value) }))}
          />
        )}
      </Labelled>
      <div className={styles.checks}>
        <Checkbox
          checked={isSpaced}
          onChange={({ target }) =>
            change({ text: target.checked ? spaced : { ...text, leading, letters, words, paragraphs } })
          }
        >
          {t('spaced')}
        </Checkbox>
        <Checkbox checked={needs.inverted} onChange={({ target }) => change({ inverted: target.checked })}>
          {t('inverted')}
        </Checkbox>
      </div>
    </>
  );
}

/** Tools, and help with words. */
function HelpFields({ needs, onChange }: Props) {
  const t = useTranslations('person.needs');
  const named = useToolNames();
  const change = (part: Partial<AccessNeeds>) => onChange({ ...needs, ...part });
  return (
    <>
      <Several
        label={t('toolsOn')}
        value={needs.toolsOn}
        options={named(BEGIN_ON)}
        onChange={(toolsOn) => change({ toolsOn })}
      />
      <Several
        label={t('toolsGiven')}
        value={needs.toolsGiven}
        options={named(GIVEN)}
        onChange={(toolsGiven) => change({ toolsGiven })}
      />
      <Several
        label={t('supports')}
        value={needs.supports}
        options={SUPPORTS.map((value) => ({ value, label: t(`support.${value}`) }))}
        onChange={(supports) => change({ supports })}
      />
      <Several
        open
        label={t('languages')}
        value={needs.languages}
        options={[]}
        onChange={(languages) => change({ languages: languages.map((one) => one.trim().slice(0, 35)) })}
      />
    </>
  );
}
