import { NextResponse } from 'next/server';
import { answer, sessionToken } from '@/app/http';
import { LANGUAGE_COOKIE } from '@/app/language';
import { SESSION_COOKIES } from '@/app/session';
import { closeSession } from '@/server/accounts/sessions';
import { database } from '@/server/db/open';

export function POST() {
  return answer(async () => {
    const token = await sessionToken();
    if (token !== null) closeSession(database(), token);
    const response = NextResponse.json({}, { headers: { 'cache-control': 'no-store' } });
    for (const name of [...Object.values(SESSION_COOKIES), LANGUAGE_COOKIE]) response.cookies.delete(name);
    return response;
  }, true);
}
