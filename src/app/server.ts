import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import next from 'next';
import { answerSave, saveAddress } from './save';

/**
 * The app's server: Next for everything, but for saving, which every student does every few seconds. That one request is
 * answered right here: Next's way to a route handler costs some twenty times what keeping an answer does (npm run bench).
 */
async function main(): Promise<void> {
  const at = process.argv.indexOf('--port');
  const port = Number(at >= 0 ? process.argv[at + 1] : (process.env.PORT ?? 3000));
  const app = next({ dev: process.argv.includes('--dev'), port, hostname: 'localhost' });
  await app.prepare();
  const pages = app.getRequestHandler();
  const serve = (request: IncomingMessage, response: ServerResponse) => {
    const attemptId = saveAddress(request);
    if (attemptId === null) void pages(request, response);
    else void answerSave(request, response, attemptId);
  };
  createServer(serve).listen(port, () => {
    process.stdout.write(`ready on http://localhost:${port}\n`);
  });
}

void main();
