import net from 'node:net';

/** Below the ports that systems give out by themselves (from 32768 or 49152 on): between two tests nobody else gets it. */
const FIRST = 4200;
/** How many each worker may look at. */
const EACH = 50;

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const asked = net.createServer();
    asked.once('error', () => resolve(false));
    asked.listen(port, '127.0.0.1', () => asked.close(() => resolve(true)));
  });

/** A port for all tests of one worker, among those no other worker looks at. */
export async function freePort(parallelIndex: number): Promise<number> {
  const from = FIRST + parallelIndex * EACH;
  for (let port = from; port < from + EACH; port++) if (await isFree(port)) return port;
  throw new Error(
    `Of the ports ${from} to ${from + EACH - 1} none is free. Stop what listens there, then start again.`,
  );
}
