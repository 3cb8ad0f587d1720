import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { openSession } from '@/server/accounts/sessions';
import { putUser, userById, type User } from '@/server/accounts/users';
import { openDatabase, type Db } from '@/server/db/open';
import { assign, assignedTests } from '@/server/delivery/assignments';
import { filesAt } from '@/server/library/files';
import { importPackage } from '@/server/library/library';

/** A student who has been given the benchmark and is signed in. */
export interface Student {
  readonly user: User;
  readonly assignmentId: number;
  readonly cookie: string;
}

/** A folder with a school of so many students in its database. What is done with the database is done before the server starts. */
export async function school(
  students: number,
): Promise<{ readonly folder: string; readonly db: Db; readonly all: readonly Student[] }> {
  const folder = mkdtempSync(join(tmpdir(), 'able-bench-'));
  const db = openDatabase(join(folder, 'able-compass.sqlite'));
  const { testIds } = importPackage(db, filesAt('content/skerry-sound-grade-6'));
  const first = await putUser(db, { signInName: 's0', displayName: 's0', role: 'student', password: 'x' });
  // One hash for all: hashing passwords is measured nowhere here.
  const add = db.prepare<[string, string, number]>(
    `INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at)
     SELECT ?, ?, 'student', password_hash, 0 FROM users WHERE id = ?`,
  );
  const all = Array.from({ length: students }, (_, i): Student => {
    const id = i === 0 ? first : Number(add.run(`s${i}`, `s${i}`, first).lastInsertRowid);
    const user = userById(db, id);
    if (!user) throw new Error('no user');
    assign(db, testIds[0] ?? 0, id);
    const assignmentId = assignedTests(db, id)[0]?.assignmentId ?? 0;
    return { user, assignmentId, cookie: `able_session=${openSession(db, id, Date.now()).token}` };
  });
  return { folder, db, all };
}

/** The application over a folder, answering. */
export async function startServer(folder: string, port: number): Promise<ChildProcess> {
  const app = spawn(process.execPath, ['.next/able/server.mjs', '--port', String(port)], {
    env: { ...process.env, ABLE_DATA_DIR: folder, NODE_ENV: 'production' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 100; i += 1) {
    const answers = await fetch(`http://localhost:${port}/sign-in`).then(
      (response) => response.ok,
      () => false,
    );
    if (answers) return app;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server does not answer');
}

/** The baseline: node:http and better-sqlite3, the same pragmas, one insert an event. */
export async function startBareServer(folder: string, port: number): Promise<() => void> {
  const db = new Database(join(folder, 'bare.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.exec(
    'CREATE TABLE events (id INTEGER PRIMARY KEY, attempt_id TEXT, device TEXT, seq INTEGER, at INTEGER, received_at INTEGER, body TEXT) STRICT',
  );
  const insert = db.prepare(
    'INSERT INTO events (attempt_id, device, seq, at, received_at, body) VALUES (?, ?, ?, ?, ?, ?)',
  );
  const server: Server = createServer((request, response) => {
    let text = '';
    request.on('data', (chunk: Buffer) => (text += chunk.toString()));
    request.on('end', () => {
      if (!text.endsWith('}')) return void response.end();
      const { events } = JSON.parse(text) as { events: { seq: number; at: number }[] };
      for (const one of events) insert.run('a', 'bench', one.seq, one.at, Date.now(), JSON.stringify(one));
      response.setHeader('content-type', 'application/json');
      response.end('{"acknowledged":1}');
    });
  });
  await new Promise<void>((resolve) => server.listen(port, resolve));
  return () => {
    server.close();
    server.closeAllConnections();
    db.close();
  };
}

export const remove = (folder: string): void => rmSync(folder, { recursive: true, force: true });
