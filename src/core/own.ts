/**
 * A record's own value under a name. Names come from packages and browsers: `constructor` and `__proto__` are names like any
 * other, and never what every object inherits.
 */
export const own = <T>(record: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined;
