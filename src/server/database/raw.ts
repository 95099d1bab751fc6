import sqlite3 from 'sqlite3';

/** A bare connection, for what is asked of the file itself and not of its rows. */
export interface Raw {
  all: <T>(sql: string, ...parameters: unknown[]) => Promise<T[]>;
  run: (sql: string, ...parameters: unknown[]) => Promise<void>;
  close: () => Promise<void>;
}

/** Opens a file: for reading only, or for writing, making it when missing. */
export function openRaw(file: string, how: 'read' | 'write' = 'read'): Promise<Raw> {
  const mode = how === 'read' ? sqlite3.OPEN_READONLY : sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE;
  return new Promise((resolve, reject) => {
    const connection = new sqlite3.Database(file, mode, (error) =>
      error ? reject(error) : resolve(rawOf(connection)),
    );
  });
}

function rawOf(connection: sqlite3.Database): Raw {
  return {
    all: <T>(sql: string, ...parameters: unknown[]) =>
      new Promise<T[]>((resolve, reject) =>
        connection.all(sql, parameters, (error: Error | null, rows: T[]) => (error ? reject(error) : resolve(rows))),
      ),
    run: (sql, ...parameters) =>
      new Promise<void>((resolve, reject) =>
        connection.run(sql, parameters, (error: Error | null) => (error ? reject(error) : resolve())),
      ),
    close: () =>
      new Promise<void>((resolve, reject) => connection.close((error) => (error ? reject(error) : resolve()))),
  };
}
