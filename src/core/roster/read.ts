import { own } from '../own';
import { BadTable, parseTable, raggedness, type Row, type Table } from '../table/csv';
import { reporterFor, type Problem, type Reporter } from '../xml/problem';
import { columnsOf, KINDS, type Column, type Kind, type Version } from './columns';

/** A roster as files: path → bytes. */
export interface RosterFiles {
  readonly paths: ReadonlySet<string>;
  read(path: string): Uint8Array;
}
/** One line of a roster file. Secrets are apart from its fields. */
export interface RosterRecord {
  readonly id: string;
  readonly fields: Readonly<Record<string, string>>;
  /** To be ended. */
  readonly ends: boolean;
  readonly password: string | null;
  readonly line: number;
}
export interface RosterFile {
  readonly kind: Kind;
  readonly file: string;
  readonly mode: 'bulk' | 'delta';
  readonly records: readonly RosterRecord[];
  /** The columns it has. */
  readonly columns: ReadonlySet<string>;
}
/** What was brought. */
export interface Roster {
  readonly version: Version;
  readonly files: readonly RosterFile[];
}
/** There is no roster that could be read; why is in `problems`. */
export class UnreadableRoster extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((one) => `${one.file}:${one.line}: ${one.message}`).join('\n'));
  }
}

const MANIFEST = 'manifest.csv';
const MAX_ID = 255;
/** What a desktop leaves in folders and archives. */
const LITTER = /(?:^|\/)(?:__MACOSX\/.*|\.[^/]*|Thumbs\.db|desktop\.ini)$/i;

const isDate = (text: string): boolean => {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text) ?? [];
  if (year === undefined) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day);
};

/** Why a cell is not what its column holds; null where it is. References are looked up later. */
function cellProblem(cell: string, { holds, words = [], open }: Column): [code: string, why: string] | null {
  switch (holds) {
    case 'date':
      return isDate(cell) ? null : ['bad-date', `"${cell}" is no date (YYYY-MM-DD)`];
    case 'boolean':
      return ['true', 'false'].includes(cell) ? null : ['bad-value', `"${cell}" is neither true nor false`];
    case 'year':
      return /^\d{4}$/.test(cell) ? null : ['bad-value', `"${cell}" is no year`];
    case 'word':
      return words.includes(cell) || (open && cell.startsWith('ext:'))
        ? null
        : ['unknown-word', `"${cell}" is none of ${words.join(', ')}`];
    default:
      return null;
  }
}

/** The manifest’s properties. @throws BadTable */
function properties(table: Table): ReadonlyMap<string, string> {
  return new Map(table.rows.map(({ cells }) => [(cells[0] ?? '').trim(), (cells[1] ?? '').trim()]));
}

class FileReader {
  constructor(
    private readonly kind: Kind,
    private readonly mode: 'bulk' | 'delta',
    private readonly table: Table,
    private readonly columns: Readonly<Record<string, Column>>,
    private readonly report: Reporter,
  ) {}

  records(): RosterRecord[] {
    const { table, report, columns } = this;
    for (const name of table.header)
      if (!own(columns, name) && !name.startsWith('metadata.'))
        report.warn('unknown-column', 1, `the column "${name}" is not known and set aside`);
    const missing = Object.entries(columns).filter(
      ([name, { required }]) => required && !table.header.includes(name),
    );
    for (const [name] of missing) report.error('missing-column', 1, `the column "${name}" is missing`);
    if (missing.length > 0) return [];
    const seen = new Map<string, number>();
    return table.rows.flatMap((row): RosterRecord[] => {
      const ragged = raggedness(row, table);
      if (ragged !== null) {
        report.error('ragged-row', row.line, ragged);
        return [];
      }
      const record = this.record(row);
      if (record === null) return [];
      const before = seen.get(record.id);
      if (before !== undefined)
        report.error('duplicate-id', row.line, `"${record.id}" is on line ${before} already`);
      seen.set(record.id, row.line);
      return [record];
    });
  }

  private record({ line, cells }: Row): RosterRecord | null {
    const { columns, report, table, mode } = this;
    const all = new Map(table.header.map((name, i) => [name, (cells[i] ?? '').trim()]));
    const id = all.get('sourcedId') ?? '';
    if (id === '') {
      report.error('missing-value', line, 'there is no sourcedId');
      return null;
    }
    if (id.length > MAX_ID)
      report.error('bad-value', line, `a sourcedId is longer than ${MAX_ID} characters`);
    const status = all.get('status') ?? '';
    const ends = status === 'tobedeleted';
    if (mode === 'bulk' && ends)
      report.warn('ends-in-bulk', line, `"${id}" is to be deleted in a bulk file: it is ended`);
    if (mode === 'delta' && (status === '' || (all.get('dateLastModified') ?? '') === ''))
      report.warn('no-date', line, `"${id}" has no status or dateLastModified, which a delta file has`);
    const fields: Record<string, string> = {};
    for (const [name, column] of Object.entries(columns)) {
      const cell = all.get(name) ?? '';
      if (cell === '') {
        // Of what ends nothing more has to be known.
        if (column.required && !ends) report.error('missing-value', line, `"${id}" has no ${name}`);
        continue;
      }
      const problem = cellProblem(cell, column);
      if (problem) report.error(problem[0], line, `${name} of "${id}": ${problem[1]}`);
      if (
        name !== 'sourcedId' &&
        name !== 'status' &&
        name !== 'dateLastModified' &&
        column.holds !== 'secret'
      )
        fields[name] = cell;
    }
    for (const [begin, end] of [
      ['startDate', 'endDate'],
      ['beginDate', 'endDate'],
    ] as const) {
      const [from, to] = [fields[begin], fields[end]];
      if (from && to && isDate(from) && isDate(to) && from > to)
        report.error('bad-date', line, `"${id}" ends (${to}) before it begins (${from})`);
    }
    const password = all.get('password') ?? '';
    return { id, fields, ends, password: this.kind === 'users' && password !== '' ? password : null, line };
  }
}

/** The files of a roster by their plain names: out of the one folder an archive may have, without a desktop’s litter. */
function rooted(files: RosterFiles): ReadonlyMap<string, string> {
  const paths = [...files.paths].filter((path) => !LITTER.test(path));
  const folders = new Set(
    paths.map((path) => (path.includes('/') ? path.slice(0, path.indexOf('/') + 1) : '')),
  );
  const [folder = ''] = folders.size === 1 ? [...folders] : [];
  return new Map(paths.map((path) => [path.slice(folder.length), path]));
}

/**
 * Reads a roster. Everything wrong is in `problems`, by file and line; with an error among them nothing of it is to be used.
 * @throws UnreadableRoster without a manifest
 */
export function readRoster(files: RosterFiles): { roster: Roster; problems: Problem[] } {
  const problems: Problem[] = [];
  const paths = rooted(files);
  const manifestPath = paths.get(MANIFEST);
  const fail = (why: string): never => {
    reporterFor(MANIFEST, problems).error('no-manifest', 0, why);
    throw new UnreadableRoster(problems);
  };
  if (manifestPath === undefined) return fail('there is no manifest.csv');
  const report = reporterFor(MANIFEST, problems);
  let said: ReadonlyMap<string, string>;
  try {
    said = properties(parseTable(files.read(manifestPath), MANIFEST));
  } catch (error) {
    if (error instanceof BadTable) return fail(error.why);
    throw error;
  }
  const version = said.get('oneroster.version') ?? '';
  if (version !== '1.1' && version !== '1.2') {
    report.error('wrong-version', 0, `oneroster.version is "${version}"; 1.1 and 1.2 are read`);
    return { roster: { version: '1.2', files: [] }, problems };
  }
  if ((said.get('manifest.version') ?? '1.0') !== '1.0')
    report.error(
      'wrong-version',
      0,
      `manifest.version is "${said.get('manifest.version') ?? ''}"; 1.0 is read`,
    );
  const read: RosterFile[] = [];
  for (const kind of KINDS) {
    const file = `${kind}.csv`;
    const path = paths.get(file);
    const mode = said.get(`file.${kind}`) ?? 'absent';
    if (mode !== 'bulk' && mode !== 'delta') {
      if (mode !== 'absent')
        report.error('wrong-mode', 0, `file.${kind} is "${mode}"; absent, bulk and delta are known`);
      else if (path !== undefined)
        reporterFor(file, problems).warn(
          'file-skipped',
          0,
          'the manifest calls this file absent: it is skipped',
        );
      continue;
    }
    if (path === undefined) {
      report.error('missing-file', 0, `${file} is promised and not there`);
      continue;
    }
    const fileReport = reporterFor(file, problems);
    try {
      const table = parseTable(files.read(path), file);
      const reader = new FileReader(kind, mode, table, columnsOf(kind, version), fileReport);
      read.push({ kind, file, mode, records: reader.records(), columns: new Set(table.header) });
    } catch (error) {
      if (!(error instanceof BadTable)) throw error;
      fileReport.error('unreadable', error.line, error.why);
    }
  }
  return { roster: { version, files: read }, problems };
}
