import { notFound } from 'next/navigation';
import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { keyVersions, previewRescoring } from '@/server/results/rescoring';
import { testsWithResults } from '@/server/results/testResults';
import { Rescore } from '@/ui/desk/results/Rescore';
import { deskUser, pageUserWho } from '../../../../../http';

export const generateMetadata = titled((words) => words.results.keys.other);

interface Asked {
  readonly params: Promise<{ test: string }>;
  readonly searchParams: Promise<{ by?: string | string[] }>;
}

export default async function Page({ params, searchParams }: Asked) {
  const user = await pageUserWho('see-results');
  const testId = Number((await params).test);
  const db = database();
  const test = testsWithResults(db, user).find((one) => one.testId === testId);
  if (!test) notFound();
  const versions = keyVersions(db, user, testId);
  const asked = Number((await searchParams).by);
  const chosen = versions.find((one) => one.testId === asked) ?? null;
  const found = await whatWouldChange(() =>
    chosen && !chosen.counts ? previewRescoring(db, user, testId, chosen.testId) : null,
  );
  return <Rescore user={deskUser(user)} test={test} versions={versions} chosen={chosen} {...found} />;
}

/** The difference, or why there is none to be shown. */
async function whatWouldChange<T>(look: () => Promise<T> | null) {
  try {
    return { preview: await look(), refused: null };
  } catch (error) {
    if (error instanceof Refusal) return { preview: null, refused: error.code };
    throw error;
  }
}
