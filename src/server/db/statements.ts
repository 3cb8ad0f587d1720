import type { Statement } from 'better-sqlite3';
import type { Db } from './open';

const cache = new WeakMap<Db, Map<string, Statement>>();

/** A prepared statement, prepared once per database. */
export function prepared<Parameters extends unknown[], Row = unknown>(
  db: Db,
  sql: string,
): Statement<Parameters, Row> {
  let statements = cache.get(db);
  if (!statements) {
    statements = new Map();
    cache.set(db, statements);
  }
  let statement = statements.get(sql);
  if (!statement) {
    statement = db.prepare(sql);
    statements.set(sql, statement);
  }
  return statement as unknown as Statement<Parameters, Row>;
}
