import { userById } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { WORKED_OUT, workOut } from '@/server/results/apart';
import { flag, stop } from './arguments';

/** What the server works out by a process of its own: --test ID --by USER --what figures|students|questions, to standard output. */
function main(): void {
  const what = WORKED_OUT.find((one) => one === flag('what'));
  const by = userById(database(), Number(flag('by')));
  if (!what || !by) stop('usage: results --test ID --by USER --what figures|students|questions', 2);
  process.stdout.write(workOut(database(), by, Number(flag('test')), what));
}

main();
