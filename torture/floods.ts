import https from 'node:https';
import net from 'node:net';
import path from 'node:path';
import { inFolder, kill, pause, startServer } from './server';
import { count, newTally, randomOf, type Tally } from './tally';

type Port = 'own' | 'home';

/** Whether a port answers anything at all within two seconds. */
const answers = (kind: Port, port: number): Promise<boolean> =>
  kind === 'own'
    ? fetch(`http://127.0.0.1:${port}/api/v1/health`, { signal: AbortSignal.timeout(2000) }).then(
        (answer) => answer.ok,
        () => false,
      )
    : new Promise((resolve) => {
        // Whose certificate it is does not matter here; no device is paired, so it is refused in words.
        const asked = https.get(
          { host: '127.0.0.1', port, path: '/api/v1/health', rejectUnauthorized: false, agent: false, timeout: 2000 },
          (answer) => {
            answer.resume();
            resolve(true);
          },
        );
        asked.on('timeout', () => asked.destroy(new Error('late')));
        asked.on('error', () => resolve(false));
      });

/** Hundreds of connections that say nothing or half a line; then the port must answer again. */
async function flood(kind: Port, port: number, random: () => number): Promise<{ keeps: boolean; answered: boolean }> {
  const sockets = Array.from({ length: 300 }, () => {
    const socket = net.connect(port, '127.0.0.1', () => {
      if (random() < 0.3) socket.write('GET / HT');
    });
    socket.on('error', () => undefined);
    return socket;
  });
  await pause(300);
  const keeps = random() < 0.5;
  if (!keeps) for (const socket of sockets) socket.destroy();
  // Unfinished requests and handshakes are cut after ten seconds.
  let answered = false;
  for (let i = 0; i < 16 && !answered; i++) {
    await pause(1000);
    answered = await answers(kind, port);
  }
  for (const socket of sockets) socket.destroy();
  return { keeps, answered };
}

/** Floods of the computer's own port and of the one for the home network, in turn. */
export function floods(minutes: number, seed: number, wanted = 40): Promise<Tally> {
  return inFolder(async (folder) => {
    const random = randomOf(seed);
    const tally = newTally('connection floods', wanted);
    const end = Date.now() + minutes * 60_000;
    const homePort = 20_000 + Math.floor(random() * 12_000);
    const server = startServer(path.join(folder, 'own.sqlite'), { JAUGE_LAN_PORT: String(homePort) }, [
      '--lan=127.0.0.1',
    ]);
    const ports = { own: Number(new URL((await server.url)!).port), home: homePort };
    while (tally.done < wanted && Date.now() < end) {
      const kind: Port = tally.done % 2 ? 'home' : 'own';
      tally.done += 1;
      const { keeps, answered } = await flood(kind, ports[kind], random);
      count(tally, `${kind} port, ${keeps ? 'held open' : 'closed'}`);
      if (!answered) tally.faults.push(`nobody gets in any more after a flood of the ${kind} port`);
    }
    await kill(server);
    return tally;
  });
}
