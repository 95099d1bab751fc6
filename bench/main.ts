import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { benchApi } from './api';
import { benchBigPicture } from './bigPicture';
import { benchCore, benchPlanner } from './core';
import { benchCsv } from './csv';
import { benchMemory } from './memory';
import { benchNear } from './near';
import { benchPictures } from './pictures';
import { benchSky } from './sky';
import { startServer } from './server';
import { benchSize } from './size';
import { benchView } from './view';

async function main(): Promise<void> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-bench-'));
  const parts = process.argv.slice(2);
  const count = Number(parts.find((part) => /^\d+$/.test(part)) ?? Number.NaN);
  const wants = (part: string) => parts.length === 0 || parts.includes(part);
  console.log(`Node ${process.version}, ${os.cpus().length} cores (${os.cpus()[0]?.model.trim() ?? 'unknown'})\n`);
  if (wants('core')) {
    benchCore();
    benchPlanner();
    benchNear();
    benchSky();
  }
  if (wants('pictures')) benchPictures(Number.isNaN(count) ? undefined : count);
  for (const [part, demo, bench] of [
    ['api', false, benchApi],
    ['csv', false, benchCsv],
    ['view', true, benchView],
    ['size', true, benchSize],
    ['big', false, benchBigPicture],
    ['memory', false, benchMemory],
  ] as const) {
    if (!wants(part)) continue;
    const { child, url } = await startServer(path.join(folder, `${part}.sqlite`), demo);
    try {
      await bench(url, child);
    } finally {
      child.kill('SIGTERM');
    }
  }
  fs.rmSync(folder, { recursive: true, force: true });
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
