import type { ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import { chromium } from '@playwright/test';
import { demoBodies } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { asked, underLoad } from './load';
import { idOf } from './rows';
import { report, spreadOf } from './timing';

/** How many readings the Book gets; a million takes some ten minutes. */
const READINGS = Number(process.env.JAUGE_BENCH_READINGS ?? 100_000);
const PIECE = 100;

/** A file of data with so many readings, made as it is sent. */
function fileOf(count: number): ReadableStream<Uint8Array> {
  const reading = demoReadings()[0]!.data;
  const encoder = new TextEncoder();
  let next = 0;
  return new ReadableStream({
    pull(controller) {
      const head = next === 0 ? '{"format":"jauge","formatVersion":1,"rows":{"readings":[' : '';
      const rows = Array.from({ length: Math.min(PIECE, count - next) }, (_, i) =>
        JSON.stringify({
          id: idOf(next + i + 1),
          data: {
            ...reading,
            note: `note ${next + i}`,
            takenAt: new Date(Date.UTC(2000, 0, 1) + (next + i) * 60_000).toISOString(),
          },
        }),
      );
      const text = head + (next ? ',' : '') + rows.join(',');
      next += rows.length;
      controller.enqueue(encoder.encode(next >= count ? `${text}]}}` : text));
      if (next >= count) controller.close();
    },
  });
}

/** The most memory the server has had, MB. */
const peakMb = (child: ChildProcess): number =>
  Number(/VmHWM:\s+(\d+)/.exec(fs.readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1]) / 1024;

/** Others at work meanwhile: how long each has to wait for a list and for a write, ms. */
function others(url: string): { stop: () => Promise<{ reads: number[]; writes: number[] }> } {
  const reads: number[] = [];
  const writes: number[] = [];
  let running = true;
  const timed = async (into: number[], work: () => Promise<Response>) => {
    const begun = performance.now();
    await (await work()).arrayBuffer();
    into.push(performance.now() - begun);
  };
  const loop = (async () => {
    for (let n = 1; running; n++) {
      await timed(reads, () => fetch(`${url}/api/v1/bodies?limit=20`));
      await timed(writes, () =>
        fetch(`${url}/api/v1/bodies`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id: idOf(9e9 + n), data: demoBodies.ostrel.data }),
        }),
      );
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  })();
  return {
    stop: async () => {
      running = false;
      await loop;
      return { reads, writes };
    },
  };
}

async function during(what: string, url: string, child: ChildProcess, work: () => Promise<void>): Promise<void> {
  const meanwhile = others(url);
  const begun = performance.now();
  await work();
  const seconds = (performance.now() - begun) / 1000;
  const { reads, writes } = await meanwhile.stop();
  report(`${what} of ${READINGS} readings`, seconds, 's', READINGS / 1000);
  report(`${what}: others wait for a list, p95`, spreadOf(reads).p95, 'ms', 50);
  report(`${what}: others wait for a list, longest`, Math.max(...reads), 'ms', 50);
  report(`${what}: others wait for a write, p95`, spreadOf(writes).p95, 'ms', 50);
  report(`${what}: others wait for a write, longest`, Math.max(...writes), 'ms', 50);
  report(`${what}: memory of the server, most`, peakMb(child), 'MB', 250);
}

/** The Book and its file with very many readings. */
export async function benchSize(url: string, child: ChildProcess): Promise<void> {
  await during('Import', url, child, async () => {
    const answer = await fetch(`${url}/api/v1/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: fileOf(READINGS),
      duplex: 'half',
    } as RequestInit);
    if (!answer.ok) throw new Error(await answer.text());
  });
  await during('Export', url, child, async () => {
    const { body } = await fetch(`${url}/api/v1/export`);
    for await (const _chunk of body as unknown as AsyncIterable<Uint8Array>);
  });
  await asked('a part, newest first', url, 'sort=newest');
  await asked('a part, by subject', url, 'sort=subject');
  await asked('words looked for', url, `search=${encodeURIComponent('note 777 curlew')}`);
  await underLoad(url, READINGS);
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${url}/far`);
  await page.waitForTimeout(2000);
  const begun = performance.now();
  await page.getByRole('link', { name: 'Book' }).click();
  await page.getByText('Kept readings').waitFor();
  await page
    .getByRole('link', { name: /^Curlew/ })
    .first()
    .waitFor();
  report('Book: first line on the screen', performance.now() - begun, 'ms', 1000);
  await browser.close();
}
