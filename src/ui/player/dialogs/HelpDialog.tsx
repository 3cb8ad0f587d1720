'use client';

import { useTranslations } from 'use-intl';
import { ContentView } from '../../content/ContentView';
import { usePlayer } from '../../attempt/PlayerContext';
import { Fold } from '../../kit/Fold';
import { SCREEN_ACTIONS } from '../keys';
import { useToolsHere } from '../rail/tools';
import { useKeySettings } from '../useKeys';
import { Dialog } from './Dialog';
import styles from './dialogs.module.css';

/** Directions, how to find the way, how each tool the student has works, and the keys, which can be changed or switched off. */
export function HelpDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const t = useTranslations('help');
  const { test, assetUrl } = usePlayer();
  const { on, letters, setOn, setLetter } = useKeySettings();
  const tools = useTranslations('tools');
  const toolsHere = useToolsHere();
  const here = new Set<string>([...SCREEN_ACTIONS, ...toolsHere.map(({ tool }) => tool.id)]);
  const shown = [...letters].filter(([action]) => here.has(action));
  const nameOf = (action: string): string => {
    const own = SCREEN_ACTIONS.find((one) => one === action);
    return own ? t(`actions.${own}`) : tools(`${action as 'eliminator'}.name`);
  };
  return (
    <Dialog
      open={open}
      wide
      title={t('title')}
      onClose={onClose}
      actions={[{ words: t('close'), act: onClose, main: true }]}
    >
      <h3>{t('directions')}</h3>
      <ContentView content={test.directions} slots={{ assetUrl }} />
      {test.parts.flatMap(({ sections }) =>
        sections.map(
          ({ title, directions, items }) =>
            directions.length > 0 && (
              <section key={items[0]}>
                {title !== '' && <h4>{title}</h4>}
                <ContentView content={directions} slots={{ assetUrl }} />
              </section>
            ),
        ),
      )}
      <h3>{t('way')}</h3>
      <p>{t('wayText')}</p>
      {toolsHere.length > 0 && <h3>{t('tools')}</h3>}
      {toolsHere.map(({ tool: { id, Icon } }) => (
        <Fold
          key={id}
          title={
            <>
              <Icon size="1.1em" aria-hidden="true" /> {tools(`${id as 'eliminator'}.name`)}
            </>
          }
        >
          <p>{tools(`${id as 'eliminator'}.about`)}.</p>
          <ul>
            {tools(`${id as 'eliminator'}.lesson`)
              .split('\n')
              .map((line) => (
                <li key={line}>{line}</li>
              ))}
          </ul>
        </Fold>
      ))}
      <h3>{t('keys')}</h3>
      <label className={styles.switch}>
        <input type="checkbox" checked={on} onChange={(event) => setOn(event.target.checked)} />
        {t('keysOn')}
      </label>
      <table className={styles.keys}>
        <tbody>
          {shown.map(([action, letter]) => (
            <tr key={action}>
              <th scope="row">{nameOf(action)}</th>
              <td>
                {t('alt')}{' '}
                <input
                  className={styles.letter}
                  value={letter}
                  maxLength={1}
                  disabled={!on}
                  aria-label={t('letterFor', { action: nameOf(action) })}
                  onFocus={(event) => event.target.select()}
                  onChange={(event) => setLetter(action, event.target.value)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>{t('insideKeys')}</p>
    </Dialog>
  );
}
