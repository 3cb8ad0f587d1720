'use client';

import { useTranslations } from 'use-intl';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { SoundCheck } from '../../tools/read-aloud/SoundCheck';
import type { ToolDefinition, WindowContentProps } from '../../tools/types';
import { isOn, useToolsHere } from '../rail/tools';
import styles from './settings.module.css';

/** Every tool of this student that is set before a test: how the page looks, what is on from the start, and the rest. */
export function SettingsList({ within = 'page' }: { readonly within?: 'page' | 'window' }) {
  // In a window its sections stand below the window's own heading.
  const Heading = within === 'page' ? 'h2' : 'h3';
  const t = useTranslations('tools');
  const my = useTranslations('myView');
  const { test } = usePlayer();
  const [ref = ''] = Object.keys(test.items);
  const tools = useToolsHere().filter(({ tool }) => tool.inMyView);
  const withPanel = tools.flatMap(({ tool }) => {
    const Content = tool.Panel ?? tool.window?.Content;
    return Content ? [{ tool, Content }] : [];
  });
  const switches = tools.filter(({ tool }) => tool.button === 'switch');
  const panel = ({ tool: { id, Icon }, Content }: (typeof withPanel)[number]) => (
    <section
      key={id}
      className={styles.setting}
      data-within={within}
      aria-labelledby={`set-${id}`}
      data-setting={id}
    >
      <Heading id={`set-${id}`}>
        <Icon size="1.2em" strokeWidth={1.9} aria-hidden="true" />
        {t(`${id as 'eliminator'}.name`)}
      </Heading>
      <Content itemRef={ref} TextLayers={NoLayers} />
    </section>
  );
  const isLook = ({ tool }: (typeof withPanel)[number]) => !!tool.pageLook;
  return (
    <>
      {withPanel.filter(isLook).map(panel)}
      <section className={styles.setting} data-within={within} aria-labelledby="set-switches">
        <Heading id="set-switches">{my(within === 'page' ? 'fromTheStart' : 'onNow')}</Heading>
        {switches.map(({ tool }) => (
          <Switch key={tool.id} tool={tool} />
        ))}
      </section>
      {withPanel.filter((one) => !isLook(one)).map(panel)}
      <section className={styles.setting} data-within={within} aria-labelledby="sound-check">
        <Heading id="sound-check">{my('sound')}</Heading>
        <SoundCheck />
      </section>
    </>
  );
}

const NoLayers: WindowContentProps['TextLayers'] = () => null;

function Switch({ tool: { id, Icon, state } }: { readonly tool: ToolDefinition }) {
  const t = useTranslations('tools');
  const [kept, keep] = useKept(id, state);
  return (
    <label className={styles.switch}>
      <input type="checkbox" checked={isOn(kept)} onChange={(event) => keep({ on: event.target.checked })} />
      <Icon size="1.2em" strokeWidth={1.9} aria-hidden="true" />
      <span>
        <strong>{t(`${id as 'eliminator'}.name`)}</strong>
        <small>{t(`${id as 'eliminator'}.about`)}</small>
      </span>
    </label>
  );
}
