import { NextResponse, type NextRequest } from 'next/server';
import { answer, body, client, sessionToken } from '@/app/http';
import { SESSION_COOKIES } from '@/app/session';
import { signInRequest } from '@/core/wire/requests';
import { closeSession } from '@/server/accounts/sessions';
import { signIn } from '@/server/accounts/signIn';
import { database } from '@/server/db/open';

export function POST(request: NextRequest) {
  return answer(async () => {
    const input = await body(request, signInRequest);
    const { address, secure } = await client();
    const { user, token, maxAgeSeconds } = await signIn(database(), input, address, Date.now());
    // Whoever was signed in on this browser before is so no more.
    const before = await sessionToken();
    if (before !== null) closeSession(database(), before);
    const response = NextResponse.json({ role: user.role }, { headers: { 'cache-control': 'no-store' } });
    response.cookies.set(secure ? SESSION_COOKIES.secure : SESSION_COOKIES.plain, token, {
      httpOnly: true,
      sameSite: 'lax',
      secure,
      path: '/',
      maxAge: maxAgeSeconds,
    });
    return response;
  }, true);
}
