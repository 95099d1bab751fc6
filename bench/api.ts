import { demoReadings } from '../src/demo/readings';
import { report, spreadOf } from './timing';

const CREATES = 1000;
const WRITERS = 8;

export async function benchApi(url: string): Promise<void> {
  const data = demoReadings()[0]?.data;
  let next = 0;
  const writer = async () => {
    for (;;) {
      const n = next++;
      if (n >= CREATES) return;
      const id = `20000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
      const response = await fetch(`${url}/api/v1/readings`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id, data }),
      });
      if (response.status !== 201) throw new Error(`create answered ${response.status}`);
    }
  };
  const start = performance.now();
  await Promise.all(Array.from({ length: WRITERS }, writer));
  report(
    `API: creates a second, ${CREATES} readings, durable`,
    CREATES / ((performance.now() - start) / 1000),
    '/s',
    200,
    true,
  );

  const times: number[] = [];
  let text = '';
  for (let i = 0; i < 30; i++) {
    const begin = performance.now();
    text = await (await fetch(`${url}/api/v1/readings?limit=1000`)).text();
    times.push(performance.now() - begin);
  }
  const total = (JSON.parse(text) as { items: unknown[] }).items.length;
  if (total !== CREATES) throw new Error(`${CREATES - total} readings are missing`);
  report('API: list of 1,000 kept readings (median)', spreadOf(times).median, 'ms', 50);
}
