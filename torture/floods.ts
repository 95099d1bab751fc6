import net from 'node:net';
import path from 'node:path';
import { inFolder, kill, pause, startServer } from './server';
import { count, newTally, randomOf, type Tally } from './tally';

/** Connections that say nothing, to the computer's own port: the server must answer again once they are gone or cut. */
export function floods(minutes: number, seed: number, wanted = 20): Promise<Tally> {
  return inFolder(async (folder) => {
    const random = randomOf(seed);
    const tally = newTally('connection floods', wanted);
    const end = Date.now() + minutes * 60_000;
    const server = startServer(path.join(folder, 'own.sqlite'));
    const url = new URL((await server.url)!);
    while (tally.done < wanted && Date.now() < end) {
      tally.done += 1;
      const sockets = Array.from({ length: 300 }, () => {
        const socket = net.connect(Number(url.port), '127.0.0.1', () => {
          if (random() < 0.3) socket.write('GET / HT');
        });
        socket.on('error', () => undefined);
        return socket;
      });
      await pause(300);
      const keeps = random() < 0.5;
      if (!keeps) for (const socket of sockets) socket.destroy();
      // Unfinished requests are cut after ten seconds.
      let answered = false;
      for (let i = 0; i < 16 && !answered; i++) {
        await pause(1000);
        answered = await fetch(new URL('/api/v1/health', url), { signal: AbortSignal.timeout(2000) }).then(
          (answer) => answer.ok,
          () => false,
        );
      }
      count(tally, keeps ? 'held open' : 'closed');
      if (!answered) tally.faults.push('nobody gets in any more after a flood');
      for (const socket of sockets) socket.destroy();
    }
    await kill(server);
    return tally;
  });
}
