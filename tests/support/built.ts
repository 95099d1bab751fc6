import { execFileSync } from 'node:child_process';

/** Bundles a program as its script does, unless it is current, so that a test starts what people start. */
export function built(program: 'buildServer' | 'buildCommandLine'): void {
  const script = `(await import('./scripts/lib/build.mjs')).${program}()`;
  execFileSync(process.execPath, ['--input-type=module', '-e', script], { stdio: ['ignore', 'inherit', 'pipe'] });
}
