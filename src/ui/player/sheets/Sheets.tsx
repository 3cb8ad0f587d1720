'use client';

import { useRef, type ReactNode } from 'react';
import {
  Panel,
  PanelGroup,
  PanelResizeHandle,
  type ImperativePanelGroupHandle,
} from 'react-resizable-panels';
import { useTranslations } from 'use-intl';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import styles from '../player.module.css';
import type { Side } from '../useTurning';
import { SheetPlace } from './drawnAhead';
import { SHEETS } from './GrowButton';

/** Shares of the passage that pressing the divider goes through, in per cent. */
const SHARES = [50, 35, 65];

interface SheetsProps {
  readonly question: ReactNode;
  readonly passage: HTMLElement | undefined;
  /** Which of the two stands where there is room for one. */
  readonly side: Side;
}

/** The question, and its passage beside or above it with a divider between. */
export function Sheets({ question, passage, side }: SheetsProps) {
  const t = useTranslations('passage');
  const { layout } = usePlayer();
  const [{ share, alone }, keep] = useKept('sheets', SHEETS);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const groupRef = useRef<ImperativePanelGroupHandle>(null);
  const shareNow = () => groupRef.current?.getLayout()[0] ?? share;
  /** The share when the pointer came down on the divider: a press that moved nothing goes to the next of some shares. */
  const downRef = useRef(share);
  const nextShare = () => {
    const now = SHARES.findIndex((one) => Math.abs(one - shareNow()) < 2);
    const next = SHARES[(now + 1) % SHARES.length];
    if (next !== undefined) groupRef.current?.setLayout([next, 100 - next]);
  };
  if (!passage) return <div className={styles.single}>{question}</div>;
  if (layout === 'narrow') return side === 'passage' ? <SheetPlace element={passage} /> : question;
  if (alone !== null)
    return (
      <div className={styles.single}>{alone === 'passage' ? <SheetPlace element={passage} /> : question}</div>
    );
  const keepShare = ([first]: number[]) => {
    clearTimeout(timer.current);
    if (first === undefined || Math.round(first) === Math.round(share)) return;
    timer.current = setTimeout(() => keep({ share: Math.round(first) }), 500);
  };
  return (
    <PanelGroup ref={groupRef} direction={layout === 'wide' ? 'horizontal' : 'vertical'} onLayout={keepShare}>
      <Panel id="passage" order={1} defaultSize={share} minSize={20}>
        <SheetPlace element={passage} />
      </Panel>
      <PanelResizeHandle
        className={styles.grip}
        aria-label={t('divider')}
        title={t('dividerHint')}
        hitAreaMargins={{ coarse: 15, fine: 8 }}
        onPointerDown={() => {
          downRef.current = shareNow();
        }}
        onPointerUp={() => Math.abs(shareNow() - downRef.current) < 0.5 && nextShare()}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            nextShare();
          }
        }}
      />
      <Panel id="question" order={2} defaultSize={100 - share} minSize={25}>
        {question}
      </Panel>
    </PanelGroup>
  );
}
