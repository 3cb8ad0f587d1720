import english from 'dictionary-en';
import { NextResponse } from 'next/server';

/** The word list for spelling hints, as the Hunspell files it comes in. The same for everybody, so it may be kept. */
export async function GET(_request: Request, { params }: { params: Promise<{ language: string }> }) {
  if ((await params).language !== 'en') return NextResponse.json({ code: 'not-found' }, { status: 404 });
  const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
  return NextResponse.json(
    { aff: text(english.aff), dic: text(english.dic) },
    { headers: { 'cache-control': 'public, max-age=86400' } },
  );
}
