import { answer, body, whoMay } from '@/app/http';
import { markingRuleRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { setMarkingRule } from '@/server/marking/marking';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('see-results');
    const rule = await body(request, markingRuleRequest);
    setMarkingRule(database(), by, Number((await params).id), rule);
  }, true);
}
