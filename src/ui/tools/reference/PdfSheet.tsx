'use client';

import type { PDFDocumentProxy, PDFPageProxy, PageViewport } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { luminance } from '@/core/view/contrast';
import { Button } from '../../kit/Button';
import { openPdf, type PdfReader } from './pdf';
import styles from './reference.module.css';

interface PdfSheetProps {
  readonly address: string;
  /** 1 = a page as wide as there is room. */
  readonly size: number;
  /** How wide that room is, in pixels. */
  readonly room: number;
  /** The colors the page has, in any words: where they change it is drawn again. */
  readonly look: string;
  /** Its text stands now: it can be searched and marked. */
  readonly onText: () => void;
}

interface OpenPdf {
  readonly pdf: PdfReader;
  readonly file: PDFDocumentProxy;
  readonly pages: readonly PDFPageProxy[];
}

/** A PDF of the package: its pages in the page's own colors, and over them their words, which can be searched, marked and read aloud. */
export function PdfSheet({ address, size, room, look, onText }: PdfSheetProps) {
  const t = useTranslations('tools.reference');
  const [open, setOpen] = useState<OpenPdf | null>(null);
  const [failed, setFailed] = useState(false);
  const [tried, setTried] = useState(0);
  useEffect(() => {
    let gone = false;
    let close = () => undefined as unknown;
    openPdf(address)
      .then(async ({ pdf, file }) => {
        close = () => file.destroy();
        const pages = await Promise.all(
          Array.from({ length: file.numPages }, (_page, i) => file.getPage(i + 1)),
        );
        if (gone) close();
        else setOpen({ pdf, file, pages });
      })
      .catch(() => {
        if (!gone) setFailed(true);
      });
    return () => {
      gone = true;
      setOpen(null);
      setFailed(false);
      close();
    };
  }, [address, tried]);
  const left = useRef(0);
  useEffect(() => {
    left.current = open?.pages.length ?? 0;
  }, [open]);
  if (failed)
    return (
      <div role="alert" data-no-text="">
        <p>{t('failed')}</p>
        <Button small onClick={() => setTried(tried + 1)}>
          {t('again')}
        </Button>
      </div>
    );
  if (!open)
    return (
      <p role="status" data-no-text="">
        {t('opening')}
      </p>
    );
  return open.pages.map((page, i) => (
    <PdfPage
      key={page.pageNumber}
      pdf={open.pdf}
      page={page}
      scale={(size * room) / page.getViewport({ scale: 1 }).width}
      label={t('page', { page: i + 1, pages: open.pages.length })}
      look={look}
      onText={() => {
        left.current -= 1;
        if (left.current === 0) onText();
      }}
    />
  ));
}

interface PdfPageProps {
  readonly pdf: PdfReader;
  readonly page: PDFPageProxy;
  /** Pixels a point of the page. */
  readonly scale: number;
  readonly label: string;
  readonly look: string;
  readonly onText: () => void;
}

/** One page: drawn when it comes into view, its words there from the beginning. */
function PdfPage({ pdf, page, scale, label, look, onText }: PdfPageProps) {
  const frameRef = useRef<HTMLElement>(null);
  const textRef = useRef<HTMLDivElement>(null);
  const canvasRef = useRef<HTMLCanvasElement>(null);
  const seen = useSeen(frameRef);
  const [dark, setDark] = useState(false);
  const viewport = page.getViewport({ scale });
  const { width, height } = viewport;

  useEffect(() => {
    const container = textRef.current;
    if (!container) return undefined;
    const layer = new pdf.TextLayer({
      textContentSource: page.streamTextContent(),
      container,
      viewport: page.getViewport({ scale: 1 }),
    });
    let gone = false;
    // A page whose words cannot be had has none; the others are there all the same.
    const done = () => {
      if (!gone) onText();
    };
    layer.render().then(done, done);
    return () => {
      gone = true;
      layer.cancel();
      container.replaceChildren();
    };
    // Its words stand in shares of the page: they are laid once, whatever its size.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pdf, page]);

  useEffect(() => {
    const canvas = canvasRef.current;
    const frame = frameRef.current;
    if (!canvas || !frame || !seen) return undefined;
    const colors = getComputedStyle(frame);
    const [background, foreground] = [plainColor(colors.backgroundColor), plainColor(colors.color)];
    setDark(luminance(background) < luminance(foreground));
    return drawPage(page, canvas, viewportFor(page, scale), { background, foreground });
  }, [page, scale, seen, look, width, height]);

  return (
    <section
      ref={frameRef}
      className={styles.page}
      aria-label={label}
      data-dark={dark || undefined}
      style={{ width, height, '--total-scale-factor': scale } as React.CSSProperties}
    >
      <div ref={textRef} className={styles.pageText} data-under-picture="" />
      <canvas ref={canvasRef} aria-hidden="true" />
    </section>
  );
}

/** Any color of CSS, those of the system included, as `#rrggbb` (HTML, canvas, serialisation of a color). */
function plainColor(color: string): string {
  const context = document.createElement('canvas').getContext('2d');
  if (!context) return '#000000';
  context.fillStyle = color;
  return String(context.fillStyle);
}

/** A page in at least twice the pixels of the page, so that it is sharp under a lens too, but never more than a canvas can hold. */
function viewportFor(page: PDFPageProxy, scale: number): PageViewport {
  const wished = page.getViewport({ scale: scale * Math.max(2, window.devicePixelRatio) });
  const most = Math.sqrt(MOST_PIXELS / (wished.width * wished.height));
  return most < 1 ? page.getViewport({ scale: wished.scale * most }) : wished;
}
/** Pixels of one canvas that every browser can hold (16 million: Safari’s limit, common practice, no source). */
const MOST_PIXELS = 16_000_000;

/** Draws a page; what is drawn already stays until the new one stands. Gives what stops it. */
function drawPage(
  page: PDFPageProxy,
  canvas: HTMLCanvasElement,
  viewport: PageViewport,
  pageColors: { readonly background: string; readonly foreground: string },
): () => void {
  const drawn = document.createElement('canvas');
  drawn.width = Math.ceil(viewport.width);
  drawn.height = Math.ceil(viewport.height);
  const task = page.render({
    canvas: drawn,
    viewport,
    pageColors,
  });
  task.promise.then(
    () => {
      canvas.width = drawn.width;
      canvas.height = drawn.height;
      canvas.getContext('2d')?.drawImage(drawn, 0, 0);
    },
    // Stopped for another drawing of the same page.
    () => undefined,
  );
  return () => task.cancel();
}

/** Whether an element has come into view, or near it. */
function useSeen(ref: React.RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (!element || seen) return undefined;
    const observer = new IntersectionObserver(
      (entries) => entries.some(({ isIntersecting }) => isIntersecting) && setSeen(true),
      { rootMargin: '400px' },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref, seen]);
  return seen;
}
