import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { NextResponse } from 'next/server';

/** What the reader of PDF files may ask for: how signs are numbered in East Asian files, and the faces that a file need not bring. */
const KINDS: ReadonlySet<string> = new Set(['cmaps', 'standard_fonts']);
const NAME = /^[A-Za-z0-9_-]{1,60}\.(bcmap|pfb|ttf)$/;

const notFound = () => NextResponse.json({ code: 'not-found' }, { status: 404 });

/** A file that comes with the reader of PDF files. The same for everybody, so it may be kept. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ kind: string; name: string }> },
) {
  const { kind, name } = await params;
  if (!KINDS.has(kind) || !NAME.test(name)) return notFound();
  const bytes = await readFile(
    join(/*turbopackIgnore: true*/ process.cwd(), 'node_modules', 'pdfjs-dist', kind, name),
  ).catch(() => null);
  if (!bytes) return notFound();
  return new NextResponse(new Uint8Array(bytes), {
    headers: { 'content-type': 'application/octet-stream', 'cache-control': 'public, max-age=86400' },
  });
}
