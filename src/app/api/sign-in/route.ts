import { NextResponse, type NextRequest } from 'next/server';
import { answer, body } from '@/app/http';
import { SESSION_COOKIE } from '@/app/session';
import { signInRequest } from '@/core/wire/requests';
import { signIn } from '@/server/accounts/signIn';
import { database } from '@/server/db/open';

export function POST(request: NextRequest) {
  return answer(async () => {
    const input = await body(request, signInRequest);
    const address = request.headers.get('x-forwarded-for')?.split(',')[0]?.trim() ?? 'direct';
    const { user, token, maxAgeSeconds } = await signIn(database(), input, address, Date.now());
    const response = NextResponse.json({ role: user.role });
    const secure = (request.headers.get('x-forwarded-proto') ?? request.nextUrl.protocol).startsWith('https');
    response.cookies.set(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'lax',
      secure,
      path: '/',
      maxAge: maxAgeSeconds,
    });
    return response;
  }, true);
}
