'use client';

import { useCallback, useState, type ComponentType, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { DeliveredTest } from '@/core/item/delivered';
import { sheetName } from '@/core/item/materials';
import { own } from '@/core/own';
import content from '../../content/content.module.css';
import { ContentView } from '../../content/ContentView';
import { OpenDocument } from '../../content/DocumentLink';
import { Boundary } from '../../kit/Boundary';
import { useLater } from '../../kit/useLater';
import { useWidth } from '../../kit/useWidth';
import styles from './documents.module.css';

/** What a document is shown in: a dialog that gives the focus back to the link. */
export interface FrameProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}
interface Props {
  /** Pages, by the name they are kept under. */
  readonly documents: DeliveredTest['stimuli'];
  readonly assetUrl: (path: string) => string;
  readonly Frame: ComponentType<FrameProps>;
  readonly children: ReactNode;
}

/** Links in the contents inside open documents of the package, in a dialog over the page. */
export function Documents({ documents, assetUrl, Frame, children }: Props) {
  const [open, setOpen] = useState<{ readonly path: string; readonly words: string } | null>(null);
  const openDocument = useCallback((path: string, words: string) => setOpen({ path, words }), []);
  const page = open && own(documents, sheetName(open));
  return (
    <OpenDocument value={openDocument}>
      {children}
      {open && (
        <Frame title={page && page.title !== '' ? page.title : open.words} onClose={() => setOpen(null)}>
          {page ? (
            <div className={content.content} lang={page.language ?? undefined}>
              <ContentView content={page.body} slots={{ assetUrl }} />
            </div>
          ) : (
            <Pdf address={assetUrl(open.path)} />
          )}
        </Frame>
      )}
    </OpenDocument>
  );
}

const loadPdf = () => import('../../tools/reference/PdfSheet').then((module) => module.PdfSheet);

/** A PDF, in the page's own colors. */
function Pdf({ address }: { address: string }) {
  const t = useTranslations('tools.reference');
  const { value: PdfSheet, failed } = useLater(loadPdf, true);
  const [roomRef, { width }] = useWidth<HTMLDivElement>(0);
  return (
    <div ref={roomRef} className={styles.pdf}>
      <Boundary fallback={<p role="alert">{t('failed')}</p>}>
        {failed ? (
          <p role="alert">{t('failed')}</p>
        ) : PdfSheet && width > 0 ? (
          <PdfSheet address={address} size={1} room={width - 2} look="" onText={() => undefined} />
        ) : (
          <p role="status">{t('opening')}</p>
        )}
      </Boundary>
    </div>
  );
}
