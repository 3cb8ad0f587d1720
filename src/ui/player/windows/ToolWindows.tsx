'use client';

import { MoveDiagonal2, Move, X } from 'lucide-react';
import { useEffect, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import type { DeliveredItem } from '@/core/item/delivered';
import { own } from '@/core/own';
import { moved, type Frame, type Room } from '@/core/view/frame';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import { useFocusBack } from '../../kit/useFocusBack';
import { useFrame, useRoom } from '../../kit/useFrame';
import type { ToolWindow, WindowContentProps } from '../../tools/types';
import { readKept } from '../../attempt/kept';
import { isOn, useToolsHere } from '../rail/tools';
import { SettingsList } from '../sample/SettingsList';
import { TextLayers } from '../TextLayers';
import shared from '../../tools/tools.module.css';
import styles from './windows.module.css';
import { usePointerOwner } from '../../tools/pointer';
import { useWindows } from '../../tools/useWindows';

/** What the window of all settings is called among the open windows; no tool is. */
export const ALL_SETTINGS = 'my-view';
/** Everything that My view sets before a test, during it: tried on the question itself (work.md, A7). */
const SETTINGS: ToolWindow = {
  Content: () => <SettingsList within="window" />,
  size: () => ({ width: 26, height: 30 }),
};

/** The windows of tools that are open and may be used at this question. On a narrow screen the uppermost is a sheet at the bottom. */
export function ToolWindows() {
  const { layout, test, needs } = usePlayer();
  const kept = useAttempt((state) => state.tools);
  const current = useAttempt((state) => state.current);
  const tools = useToolsHere();
  const { open } = useWindows();
  const shown = open.flatMap((id) => {
    const here = tools.find(({ tool, standing }) => tool.id === id && standing === 'here');
    // What is switched off has no window, whatever was open before.
    const off = here?.tool.button === 'switch' && !isOn(readKept(kept, id, here.tool.state, needs));
    if (id === ALL_SETTINGS) return [{ id, content: SETTINGS }];
    return here?.tool.window && !off ? [{ id, content: here.tool.window }] : [];
  });
  const item = current === null ? undefined : own(test.items, current);
  if (!item) return null;
  // In the order of the registry, so that nothing is drawn anew when another window is raised.
  const drawn = layout === 'narrow' ? shown.slice(-1) : shown;
  return [...drawn]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map(({ id, content }) => (
      <Window
        key={id}
        id={id}
        content={content}
        above={shown.findIndex((one) => one.id === id)}
        item={item}
      />
    ));
}

interface WindowProps {
  /** Of its tool, or of all settings. */
  readonly id: string;
  readonly content: ToolWindow;
  readonly above: number;
  readonly item: DeliveredItem;
}

/** The tools' rail and a little air, in rem: a window that was never moved leaves them free. */
const RAIL = 6.75;
/** The heads of the page and of the question, in rem. */
const HEAD = 8.25;

/** Where a window lies that was never moved: beside the rail, a little below the head, each a step further. */
function firstFrame(size: Pick<Frame, 'width' | 'height'>, above: number, room: Room | null): Frame {
  const frame = { x: 1, y: 0, ...size };
  return room ? moved(frame, room, -(RAIL + above * 2) * room.rem, (HEAD + above * 3) * room.rem) : frame;
}

/** The frame that all windows share: moved and resized by hand and by arrow keys, whole on the screen, closed by Escape. */
function Window({ id, content: { Content, size }, above, item }: WindowProps) {
  const t = useTranslations('tools');
  const my = useTranslations('myView');
  const { layout } = usePlayer();
  const windows = useWindows();
  const owner = usePointerOwner();
  const ref = useRef<HTMLElement>(null);
  const titleRef = useRef<HTMLHeadingElement>(null);
  const headRef = useRef<HTMLElement>(null);
  const room = useRoom(headRef);
  useFocusBack();
  useEffect(() => {
    // What is inside may have taken it already, to something better.
    if (!ref.current?.contains(document.activeElement)) titleRef.current?.focus({ preventScroll: true });
  }, []);
  const narrow = layout === 'narrow';
  useBottomSheet(ref, narrow);
  const name = id === ALL_SETTINGS ? my('title') : t(`${id as 'eliminator'}.name`);
  const frame = windows.frameOf(id) ?? firstFrame(size(item), above, room);
  const { box: floating, move, resize } = useFrame(frame, room, (to) => windows.place(id, to));
  const box = narrow ? undefined : floating;
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape closes from anywhere inside
    <section
      ref={ref}
      className={styles.window}
      data-window={id}
      data-narrow={narrow || undefined}
      style={{ ...box, zIndex: 21 + above }}
      aria-label={name}
      onFocus={() => windows.raise(id)}
      onPointerDown={() => windows.raise(id)}
      onKeyDown={(event) => {
        // A tool that has the pointer gives that back first.
        if (event.key !== 'Escape' || event.defaultPrevented || owner === id) return;
        event.stopPropagation();
        windows.close(id);
      }}
    >
      <header
        ref={headRef}
        className={styles.head}
        {...(narrow ? {} : move.handlers)}
        data-going={move.dragging || undefined}
      >
        <h2 ref={titleRef} tabIndex={-1}>
          {name}
        </h2>
        {!narrow && (
          <Press
            className={shared.control}
            aria-label={t('move', { name })}
            title={t('moveHint')}
            onKeyDown={move.onKeyDown}
          >
            <Move size="1.15em" aria-hidden="true" />
          </Press>
        )}
        <Press
          className={shared.control}
          aria-label={t('close', { name })}
          title={t('close', { name })}
          onPointerDown={(event) => event.stopPropagation()}
          onClick={() => windows.close(id)}
        >
          <X size="1.2em" aria-hidden="true" />
        </Press>
      </header>
      <div className={styles.body}>
        <Content itemRef={item.ref} TextLayers={WindowLayers} />
      </div>
      {!narrow && (
        <footer className={styles.foot}>
          <Press
            className={`${shared.control} ${styles.corner}`}
            aria-label={t('resize', { name })}
            title={t('resizeHint')}
            onKeyDown={resize.onKeyDown}
            {...resize.handlers}
          >
            <MoveDiagonal2 size="1.1em" aria-hidden="true" />
          </Press>
        </footer>
      )}
    </section>
  );
}

/** What tools lay over a text that a window shows. */
const WindowLayers: WindowContentProps['TextLayers'] = (text) => (
  <TextLayers sheet="reference" {...text} has={({ inWindows }) => inWindows === true} />
);

/** On a narrow screen the page keeps as much room below as the sheet takes: everything can be scrolled out from under it. */
function useBottomSheet(ref: RefObject<HTMLElement | null>, narrow: boolean): void {
  useEffect(() => {
    const sheet = ref.current;
    if (!sheet || !narrow) return undefined;
    const root = document.documentElement;
    const sizes = new ResizeObserver(() =>
      root.style.setProperty('--bottom-sheet', `${sheet.offsetHeight}px`),
    );
    sizes.observe(sheet);
    return () => {
      sizes.disconnect();
      root.style.removeProperty('--bottom-sheet');
    };
  }, [ref, narrow]);
}
