import { NextResponse, type NextRequest } from 'next/server';
import { answer } from '@/app/http';
import { SESSION_COOKIE } from '@/app/session';
import { closeSession } from '@/server/accounts/sessions';
import { database } from '@/server/db/open';

export function POST(request: NextRequest) {
  return answer(() => {
    const token = request.cookies.get(SESSION_COOKIE)?.value;
    if (token !== undefined) closeSession(database(), token);
    const response = NextResponse.json({});
    response.cookies.delete(SESSION_COOKIE);
    return response;
  }, true);
}
