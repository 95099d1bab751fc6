import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { benchApi } from './api';
import { benchBigPicture } from './bigPicture';
import { benchCore, benchPlanner } from './core';
import { benchCsv } from './csv';
import { benchLoad } from './load';
import { benchMemory } from './memory';
import { benchNear } from './near';
import { benchPictures } from './pictures';
import { benchSky } from './sky';
import { startServer } from './server';
import { benchSize } from './size';
import { benchView } from './view';
import { writeFigures } from '../scripts/lib/figures.mjs';

/** Everything printed from now on, line by line, besides being printed. */
function heard(): string[] {
  const lines: string[] = [];
  const print = console.log;
  console.log = (...words: unknown[]) => {
    lines.push(words.map(String).join(' '));
    print(...words);
  };
  return lines;
}

async function main(): Promise<void> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-bench-'));
  const parts = process.argv.slice(2).filter((word) => word !== '--write');
  const writes = process.argv.includes('--write');
  const lines = writes ? heard() : [];
  const section = (part: string) => {
    if (writes && lines.length > 0) writeFigures(`bench ${part}`, lines.splice(0));
  };
  const count = Number(parts.find((part) => /^\d+$/.test(part)) ?? Number.NaN);
  const wants = (part: string) => parts.length === 0 || parts.includes(part);
  console.log(`Node ${process.version}, ${os.cpus().length} cores (${os.cpus()[0]?.model.trim() ?? 'unknown'})\n`);
  lines.splice(0);
  if (wants('core')) {
    benchCore();
    benchPlanner();
    benchNear();
    benchSky();
    section('core');
  }
  if (wants('pictures')) {
    benchPictures(Number.isNaN(count) ? undefined : count);
    section('pictures');
  }
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
    section(part);
  }
  if (wants('load')) {
    await benchLoad(folder);
    section('load');
  }
  fs.rmSync(folder, { recursive: true, force: true });
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
