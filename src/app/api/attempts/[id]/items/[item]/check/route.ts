import { z } from 'zod';
import { answer, body, student } from '@/app/http';
import { database } from '@/server/db/open';
import { checkItem } from '@/server/delivery/itemSessions';
import { device } from '../../../../device';

export function POST(request: Request, { params }: { params: Promise<{ id: string; item: string }> }) {
  return answer(async () => {
    const input = await body(request, z.object({ device, by: z.string().max(200).nullable() }));
    const { id, item } = await params;
    const question = { attemptId: id, item: decodeURIComponent(item), by: input.by };
    return checkItem(database(), await student(), question, input.device, Date.now());
  }, true);
}
