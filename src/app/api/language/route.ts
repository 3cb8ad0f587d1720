import { NextResponse, type NextRequest } from 'next/server';
import { answer, body, client, currentUser } from '@/app/http';
import { LANGUAGE_COOKIE } from '@/app/language';
import { languageRequest } from '@/core/wire/requests';
import { keepLanguage } from '@/server/accounts/users';
import { database } from '@/server/db/open';

const A_YEAR_SECONDS = 31_536_000;

/** The interface speaks this from now on: for the person who is signed in, wherever they sit, else on this computer. */
export function POST(request: NextRequest) {
  return answer(async () => {
    const { language } = await body(request, languageRequest);
    const user = await currentUser();
    if (user && user.room?.letIn !== false) return keepLanguage(database(), user.id, language);
    const response = NextResponse.json({}, { headers: { 'cache-control': 'no-store' } });
    const { secure } = await client();
    response.cookies.set(LANGUAGE_COOKIE, language, {
      httpOnly: true,
      sameSite: 'lax',
      secure,
      path: '/',
      maxAge: A_YEAR_SECONDS,
    });
    return response;
  }, true);
}
