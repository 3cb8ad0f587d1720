import { answer, whoMay } from '@/app/http';
import { signOutEverywhere } from '@/server/accounts/signIn';
import { database } from '@/server/db/open';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () =>
      signOutEverywhere(database(), Number((await params).id), await whoMay('supervise'), Date.now()),
    true,
  );
}
