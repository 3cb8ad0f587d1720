import { z } from 'zod';
import { answer, body, student } from '@/app/http';
import { database } from '@/server/db/open';
import { handIn } from '@/server/delivery/delivery';
import { device } from '../../device';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const input = await body(request, z.object({ device, reason: z.enum(['asked', 'time']) }));
    handIn(database(), await student(), (await params).id, input.device, input.reason, Date.now());
  }, true);
}
