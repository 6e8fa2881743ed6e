/** A store that cannot be used as it is; the message says what is wrong with it and what to do. */
export class StoreError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'StoreError';
  }
}

/** What a failure of the database engine means for the person who started the program. */
export function storeErrorOf(error: unknown, where: string): StoreError {
  if (error instanceof StoreError) return error;
  const code = codeOf(error);
  const said = REASONS.find(([start]) => code.startsWith(start))?.[1];
  return new StoreError(`${where} ${said ?? `cannot be opened (${code || 'unknown reason'})`}`);
}

const REASONS: [code: string, said: string][] = [
  ['SQLITE_NOTADB', 'is not a database: it may be another kind of file. Name another one in DATABASE_URL'],
  ['SQLITE_CORRUPT', 'is damaged. Restore a copy with npm run restore -- FILE'],
  ['SQLITE_BUSY', 'is held by another program. Close that and start again'],
  ['SQLITE_LOCKED', 'is held by another program. Close that and start again'],
  ['SQLITE_READONLY', 'may not be written to. Give this account the right to write to it and to its folder'],
  ['SQLITE_CANTOPEN', 'cannot be opened: the file or its folder is not there, or may not be read'],
  ['SQLITE_FULL', 'cannot be written to: the disk is full'],
  ['EACCES', 'may not be read or written by this account'],
  ['EPERM', 'may not be read or written by this account'],
  ['EROFS', 'is on a disk that may not be written to'],
  ['ENOTDIR', 'cannot be made: part of its path is a file'],
  ['EEXIST', 'cannot be made: part of its path is a file'],
  ['EISDIR', 'is a folder, not a file'],
  ['ENOSPC', 'cannot be made: the disk is full'],
];

function codeOf(error: unknown): string {
  for (let at: unknown = error, depth = 0; at && depth < 4; at = (at as { cause?: unknown }).cause, depth++) {
    const { code } = at as { code?: unknown };
    if (typeof code === 'string' && code !== '') return code;
  }
  return '';
}
