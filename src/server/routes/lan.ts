import { X509Certificate } from 'node:crypto';
import { Router, type RequestHandler } from 'express';
import type { LanStanding } from '@/contract/lan';
import { deviceName } from '../lan/devices';
import { deviceOf } from '../lan/gate';
import type { Home } from '../lan/home';
import { HttpProblem } from '../problems';

const atComputer = (): never => {
  throw new HttpProblem(
    403,
    'computer.only',
    'Only at the computer',
    'Devices are paired and taken off at the computer Jauge runs on.',
  );
};

/** How the home network reaches this computer; for the computer itself, pairing and the paired devices. */
export function lanRoutes(home: Home | null, door: 'computer' | 'home'): Router {
  const router = Router();
  router.get('/lan', (_request, response) => {
    const device = deviceOf(response);
    const standing: LanStanding = {
      here: door === 'home' ? 'device' : 'computer',
      on: home !== null,
      addresses: home?.urls() ?? [],
      ...(device ? { deviceName: device.name } : {}),
      ...(home ? { authority: home.identity() } : {}),
    };
    response.json(standing);
  });
  router.get('/lan/authority.crt', (_request, response) => {
    const { certificates } = needed(home);
    response.setHeader('Content-Type', 'application/x-x509-ca-cert');
    response.setHeader('Content-Disposition', 'attachment; filename="jauge-at-home.crt"');
    response.send(new X509Certificate(certificates().authority.cert).raw);
  });
  router.use(['/pairing', '/devices'], door === 'home' ? atComputer : pass);
  router.post('/pairing', (_request, response) => {
    response.status(201).json(needed(home).pairing.offer());
  });
  router.get('/pairing', (_request, response) => {
    response.json(home?.pairing.standing() ?? { offer: null, ended: null });
  });
  router.delete('/pairing', (_request, response) => {
    home?.pairing.withdraw();
    response.status(204).end();
  });
  router.get('/devices', async (_request, response) => {
    response.json({ items: home ? await home.devices.list() : [] });
  });
  router.put('/devices/:id', async (request, response) => {
    const { name, rights } = (request.body ?? {}) as { name?: unknown; rights?: unknown };
    const { devices } = needed(home);
    const id = String(request.params.id);
    if (rights !== undefined) {
      if (rights !== '' && rights !== 'manage')
        throw new HttpProblem(422, 'rights.invalid', 'Not a right', '“rights” must be "manage", or empty.');
      return void response.json(await devices.allow(id, rights));
    }
    response.json(await devices.rename(id, deviceName(name)));
  });
  router.delete('/devices/:id', async (request, response) => {
    await needed(home).devices.revoke(String(request.params.id));
    response.status(204).end();
  });
  return router;
}

const pass: RequestHandler = (_request, _response, next) => next();

function needed(home: Home | null): Home {
  if (home) return home;
  throw new HttpProblem(
    409,
    'lan.off',
    'This computer alone',
    'Jauge was started for this computer alone. Stop it and start it with: npm start -- --lan',
  );
}
