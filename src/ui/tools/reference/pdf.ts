import type * as Pdf from 'pdfjs-dist';

export type PdfReader = typeof Pdf;
/** Where the reader's own files are served: numbers of East Asian signs, faces that a file need not bring. */
const FILES = '/api/pdf-files';
let known: Promise<PdfReader> | null = null;

/** The reader of PDF files, fetched when the first test has one. Rejects when it cannot be had now; asking again tries again. */
export function loadPdf(): Promise<PdfReader> {
  known ??= import('pdfjs-dist/legacy/build/pdf.min.mjs').then((module) => {
    const pdf = module as unknown as PdfReader;
    pdf.GlobalWorkerOptions.workerPort = new Worker(new URL('./pdf.worker.ts', import.meta.url), {
      type: 'module',
    });
    return pdf;
  });
  known.catch(() => {
    known = null;
  });
  return known;
}

/** A PDF that is open. @throws when the file cannot be fetched or is none */
export async function openPdf(address: string): Promise<{ pdf: PdfReader; file: Pdf.PDFDocumentProxy }> {
  const [pdf, response] = await Promise.all([loadPdf(), fetch(address)]);
  if (!response.ok) throw new Error(`the sheet could not be fetched (${response.status})`);
  const data = new Uint8Array(await response.arrayBuffer());
  // Nothing of a file from a package runs; what is fetched for it are the reader's own files.
  const file = await pdf.getDocument({
    data,
    isEvalSupported: false,
    enableXfa: false,
    stopAtErrors: false,
    cMapUrl: `${FILES}/cmaps/`,
    cMapPacked: true,
    standardFontDataUrl: `${FILES}/standard_fonts/`,
  }).promise;
  return { pdf, file };
}
