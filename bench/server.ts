import { spawn, type ChildProcess } from 'node:child_process';

/** The built server on a free port with a database file of its own. */
export function startServer(database: string, demo: boolean): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['build/server.cjs'], {
    env: { ...process.env, JAUGE_DATABASE: database, JAUGE_PORT: '0', ...(demo ? { JAUGE_DEMO: '1' } : {}) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const url = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
      if (url) resolve({ child, url });
    });
    child.on('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
}
