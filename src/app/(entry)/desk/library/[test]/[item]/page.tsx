import { titled } from '@/app/language';
import { seenAsQuery } from '@/core/wire/requests';
import { notFound } from 'next/navigation';
import { studentsReached } from '@/server/accounts/access';
import { database } from '@/server/db/open';
import { needsSeenWith } from '@/server/delivery/tryOut';
import { questionInLibrary } from '@/server/library/question';
import { deskUser, orNotFound, pageUserWho } from '../../../../../http';
import { ItemPage } from './ItemPage';

export const generateMetadata = titled((words) => words.library.title);

interface Asked {
  readonly params: Promise<{ test: string; item: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function Page({ params, searchParams }: Asked) {
  const user = await pageUserWho('keep-library');
  const { test, item } = await params;
  const query = seenAsQuery.safeParse(await searchParams);
  if (!query.success) notFound();
  const { student, scheme, size, drawing } = query.data;
  const db = database();
  const seenAs = { student, scheme, magnification: size };
  const needs = orNotFound(() => needsSeenWith(db, user, seenAs, user.needs));
  const asked = orNotFound(() =>
    questionInLibrary(db, user, Number(test), decodeURIComponent(item), { needs, drawing }),
  );
  return (
    <ItemPage
      key={asked.question.ref}
      user={{ ...deskUser(user), needs }}
      asked={asked}
      seenAs={seenAs}
      students={studentsReached(db, user, 'give')}
    />
  );
}
