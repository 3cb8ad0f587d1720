// What reads PDF files, in a worker of its own: a large or broken one never holds up the page.
import 'pdfjs-dist/legacy/build/pdf.worker.min.mjs';
