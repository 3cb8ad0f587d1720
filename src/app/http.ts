import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { NextResponse } from 'next/server';
import type { ZodMiniType } from 'zod/mini';
import { nameOfSession, userOfSession } from '@/server/accounts/sessions';
import type { Role, User } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { isOtherSite, SESSION_COOKIE } from './session';

/** Who is asking; null when nobody is signed in. */
export async function currentUser(): Promise<User | null> {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token === undefined ? null : userOfSession(database(), token, Date.now());
}

/** What the session that asks is called where something is tied to it; null when nobody is signed in. */
export async function sessionName(): Promise<string | null> {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token === undefined ? null : nameOfSession(token);
}

/** Who is asking, for pages: others are sent to where they belong. */
export async function pageUser(...roles: Role[]): Promise<User> {
  const user = await currentUser();
  if (!user) redirect('/sign-in');
  if (!roles.includes(user.role)) redirect('/');
  return user;
}

/** A student, for what only students do. @throws Refusal */
export async function student(): Promise<User> {
  const user = await currentUser();
  if (!user) throw new Refusal('not-signed-in', 401);
  if (user.role !== 'student') throw new Refusal('not-yours', 403);
  return user;
}

/** What a page shows; what is not there for this person is "not found". */
export function orNotFound<T>(read: () => T): T {
  try {
    return read();
  } catch (error) {
    if (error instanceof Refusal) notFound();
    throw error;
  }
}

/** A request that changes something must come from our own pages. */
async function refuseOtherSites(): Promise<void> {
  const sent = await headers();
  if (isOtherSite(sent.get('origin'), sent.get('x-forwarded-host') ?? sent.get('host')))
    throw new Refusal('other-site', 403);
}

/** The body of a request, checked. @throws Refusal `bad-input` */
export async function body<T>(request: Request, schema: ZodMiniType<T>): Promise<T> {
  const json: unknown = await request.json().catch(() => undefined);
  const read = schema.safeParse(json);
  if (!read.success) throw new Refusal('bad-input', 400);
  return read.data;
}

/** Runs a use case and answers in JSON; a refusal becomes its status and code, anything else is logged and says nothing. */
export async function answer(work: () => unknown, changes = false): Promise<Response> {
  try {
    if (changes) await refuseOtherSites();
    const result = await work();
    return result instanceof Response ? result : NextResponse.json(result ?? {});
  } catch (error) {
    if (error instanceof Refusal)
      return NextResponse.json({ code: error.code, ...error.details }, { status: error.status });
    console.error(error);
    return NextResponse.json({ code: 'error' }, { status: 500 });
  }
}
