import type { DeskUser } from '@/core/wire/desk';
import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { NextResponse } from 'next/server';
import { cache } from 'react';
import type { ZodMiniType } from 'zod/mini';
import { closeSession, nameOfSession, userOfSession } from '@/server/accounts/sessions';
import { actsOf, type Act, type Role } from '@/core/access/access';
import { requireAct } from '@/server/accounts/access';
import type { User } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { toldOf } from '@/server/db/trouble';
import { isAttemptOf } from '@/server/delivery/attempts';
import { takerFor } from '@/server/delivery/tryOut';
import { Refusal } from '@/server/refusal';
import { isFromElsewhere } from './front/client';
import { SESSION_COOKIES, sessionTokenIn } from './session';

/** The token of whoever asks; null when there is none. */
export async function sessionToken(): Promise<string | null> {
  return sessionTokenIn((await headers()).get('cookie') ?? '');
}

/** Who is asking, asked once for a page; null when nobody is signed in. */
export const currentUser = cache(async (): Promise<User | null> => {
  const token = await sessionToken();
  return token === null ? null : userOfSession(database(), token, Date.now());
});

/** What the session that asks is called where something is tied to it; null when nobody is signed in. */
export async function sessionName(): Promise<string | null> {
  const token = await sessionToken();
  return token === null ? null : nameOfSession(token);
}

/** Where a request comes from, as server.ts found it; a server without it (tests of routes) sees nobody. */
export async function client(): Promise<{ readonly address: string; readonly secure: boolean }> {
  const sent = await headers();
  return { address: sent.get('x-able-address') ?? '', secure: sent.get('x-able-secure') === 'true' };
}

/** What this installation is called from outside; empty where nobody told. */
export const origin = async (): Promise<string> =>
  (await headers()).get('x-able-origins')?.split(' ')[0] ?? '';

/** Who is asking. @throws Refusal `not-signed-in`; `change-password` while a password of their own has still to be chosen */
async function signedIn(): Promise<User> {
  const user = await currentUser();
  if (!user) throw new Refusal('not-signed-in', 401);
  if (user.mustChange) throw new Refusal('change-password', 403);
  return user;
}

/** The same, for pages: others are sent to where they sign in, or choose a password first. */
async function pageSignedIn(): Promise<User> {
  const user = await currentUser();
  if (!user) redirect('/sign-in');
  if (user.mustChange) redirect('/password');
  return user;
}

/** Who is asking, for pages where one also waits to be let in: others are sent to where they belong. */
export async function userAtDoor(...roles: Role[]): Promise<User> {
  const user = await pageSignedIn();
  if (!roles.includes(user.role)) redirect('/');
  return user;
}

/** Who is asking, for pages; who came with a room's code and waits is sent to where it is waited. */
export async function pageUser(...roles: Role[]): Promise<User> {
  const user = await userAtDoor(...roles);
  if (user.room?.letIn === false) redirect(`/tests/${user.room.assignmentId}`);
  return user;
}

/** A student, who may still wait to be let in; or whoever tries a test out, as who they do. @throws Refusal */
export async function studentAtDoor(): Promise<User> {
  const user = await signedIn();
  const taker = takerFor(database(), user);
  if (!taker) throw new Refusal('not-yours', 403);
  return taker;
}

/** The same, for what only students do. @throws Refusal, `no-go-ahead` for who has still to be let in */
export async function student(): Promise<User> {
  const user = await studentAtDoor();
  if (user.room?.letIn === false) throw new Refusal('no-go-ahead', 409);
  return user;
}

/** Whoever takes the attempt as `student` says, or may look at answers. @throws Refusal */
export async function studentOrReader(attemptId: string): Promise<User> {
  const user = await currentUser();
  if (!user || user.mustChange || !actsOf(user.role).includes('mark')) return student();
  const taker = takerFor(database(), user);
  return taker && isAttemptOf(database(), taker, attemptId) ? taker : user;
}

/** Whoever takes a test, for its pages: a student, or who tries it out; others are sent to where they belong. */
export async function pageTaker(): Promise<{ readonly user: User; readonly tries: boolean }> {
  const user = await pageSignedIn();
  if (user.role === 'student') return { user: await pageUser('student'), tries: false };
  const taker = takerFor(database(), user);
  if (!taker) redirect('/');
  return { user: taker, tries: true };
}

/** Who may do that; to whose, each use case asks. @throws Refusal */
export async function whoMay(act: Act): Promise<User> {
  const user = await signedIn();
  requireAct(user, act);
  return user;
}

/** Who may do that, for pages: others are sent to where they belong. */
export async function pageUserWho(act: Act): Promise<User> {
  const user = await pageSignedIn();
  if (!actsOf(user.role).includes(act)) redirect('/');
  return user;
}

/** Whose page of the desk it is. */
export const deskUser = ({ displayName, role, needs }: User): DeskUser => ({
  name: displayName,
  acts: actsOf(role),
  needs,
});

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
  const origins = new Set(sent.get('x-able-origins')?.split(' ') ?? []);
  if (isFromElsewhere({ origin: sent.get('origin'), site: sent.get('sec-fetch-site') }, origins))
    throw new Refusal('other-site', 403);
}

/** The body of a request, checked. @throws Refusal `bad-input` */
export async function body<T>(request: Request, schema: ZodMiniType<T>): Promise<T> {
  const json: unknown = await request.json().catch(() => undefined);
  const read = schema.safeParse(json);
  if (!read.success) throw new Refusal('bad-input', 400);
  return read.data;
}

/** An answer that opens a session on this browser; whoever was here before is so no more. */
export async function withSession(
  data: object,
  { token, maxAgeSeconds }: { readonly token: string; readonly maxAgeSeconds: number },
): Promise<Response> {
  const before = await sessionToken();
  if (before !== null) closeSession(database(), before);
  const { secure } = await client();
  const response = NextResponse.json(data, { headers: { 'cache-control': 'no-store' } });
  response.cookies.set(secure ? SESSION_COOKIES.secure : SESSION_COOKIES.plain, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    maxAge: maxAgeSeconds,
  });
  return response;
}

const inJson = (value: unknown, status = 200): Response =>
  NextResponse.json(value, { status, headers: { 'cache-control': 'no-store' } });

/** An answer that is kept as a file. @param name what it is called; left out, the browser takes the address */
export const asFile = (
  content: string | ReadableStream<Uint8Array>,
  type: string,
  { name, bytes }: { readonly name?: string; readonly bytes?: number } = {},
): Response =>
  new Response(content, {
    headers: {
      'content-type': type,
      ...(bytes !== undefined && { 'content-length': String(bytes) }),
      'content-disposition': name === undefined ? 'attachment' : `attachment; filename="${name}"`,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });

/** Runs a use case and answers in JSON; a refusal becomes its status and code, anything else is logged and says nothing. */
export async function answer(work: () => unknown, changes = false): Promise<Response> {
  try {
    if (changes) await refuseOtherSites();
    const result = await work();
    return result instanceof Response ? result : inJson(result ?? {});
  } catch (error) {
    const refusal = toldOf(error);
    return inJson(refusal?.body ?? { code: 'error' }, refusal?.status ?? 500);
  }
}
