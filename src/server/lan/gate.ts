import path from 'node:path';
import { parse } from 'cookie';
import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { PairedDevice } from '@/contract/lan';
import { HttpProblem } from '../problems';
import { deviceName } from './devices';
import type { Home } from './home';
import { PAIRING_POLICY, pairingPage } from './pairingPage';

/** `__Host-` lets a browser take it only over HTTPS, for this very host and all its paths. */
const COOKIE = '__Host-jauge';
/** The longest a browser keeps one; it is given anew with every visit. */
const COOKIE_MS = 400 * 24 * 3600 * 1000;
const PAIR = '/pair';

/** Questions a minute from one address: of a device not paired yet, and tries at a code. */
const STRANGERS_A_MINUTE = 60;
const TRIES_A_MINUTE = 10;
/** A device that brings all its rows and files asks a few hundred times. */
const PAIRED_A_MINUTE = 3000;

const atMost = (limit: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, _response, next) =>
      next(new HttpProblem(429, 'requests.tooMany', 'Too many requests', 'Wait a minute, then try again.')),
  });

const giveCookie = (response: Response, value: string): void =>
  void response.cookie(COOKIE, value, {
    httpOnly: true,
    secure: true,
    sameSite: 'strict',
    path: '/',
    maxAge: COOKIE_MS,
    encode: String,
  });

const broughtBy = (request: Request): string | undefined => parse(request.headers.cookie ?? '')[COOKIE];

/** Whether a browser asks for a page of the application. */
const asksForPage = (request: Request): boolean =>
  request.method === 'GET' &&
  !/^\/api(\/|$)/i.test(request.path) &&
  path.extname(request.path) === '' &&
  request.accepts('html') !== false;

function sendPage(response: Response, status: number, parts: Parameters<typeof pairingPage>[0]): void {
  response.status(status).setHeader('Content-Security-Policy', PAIRING_POLICY);
  response.setHeader('Cache-Control', 'no-store');
  // Without any referrer a form is sent with no origin either, and it is by its origin that a page elsewhere is refused.
  response.setHeader('Referrer-Policy', 'same-origin');
  response.type('html').send(pairingPage(parts));
}

const field = (body: unknown, name: string): string => {
  const value = (body as Record<string, unknown> | undefined)?.[name];
  return typeof value === 'string' ? value : '';
};

const SAID = {
  none: 'There is no such code now: it was used, tried too often, or its five minutes are over. Have the computer show a new one.',
  lastTry: 'That is not the code, and it was the last try. Have the computer show a new one.',
};

/** Takes a code and a name, and gives the device a secret of its own. */
function pairWith({ devices, pairing }: Home): RequestHandler {
  return async (request, response) => {
    const code = field(request.body, 'code').slice(0, 20);
    const typed = field(request.body, 'name');
    let name: string;
    try {
      name = deviceName(typed);
    } catch (error) {
      if (!(error instanceof HttpProblem)) throw error;
      return sendPage(response, error.status, { said: error.detail, code });
    }
    const tried = pairing.try(code);
    if (tried.kind === 'right') {
      let secret: Awaited<ReturnType<typeof devices.add>> | null = null;
      try {
        secret = await devices.add(name);
      } finally {
        pairing.settle(secret !== null);
      }
      giveCookie(response, secret);
      return response.redirect(303, '/');
    }
    const said =
      tried.kind === 'none'
        ? SAID.none
        : tried.triesLeft === 0
          ? SAID.lastTry
          : `That is not the code. ${tried.triesLeft === 1 ? 'One try is' : `${tried.triesLeft} tries are`} left.`;
    return sendPage(response, 403, { said, name });
  };
}

/** What is answered to a device that is not paired: the pairing page, and nothing else. */
function strangers(home: Home): Router {
  const router = Router();
  router.use(atMost(STRANGERS_A_MINUTE));
  router.get(PAIR, (request, response) => {
    const { code } = request.query;
    sendPage(response, 200, { code: typeof code === 'string' ? code.slice(0, 20) : '' });
  });
  router.post(PAIR, atMost(TRIES_A_MINUTE), express.urlencoded({ extended: false, limit: '2kb' }), pairWith(home));
  router.use((request, response) => {
    if (asksForPage(request)) return response.redirect(303, PAIR);
    throw new HttpProblem(
      401,
      'device.unpaired',
      'Not paired',
      'This device is not paired with the computer (any more). Pair it to go on; what is on the device stays there.',
    );
  });
  return router;
}

/** Lets paired devices through, and shows all others the pairing page. */
export function gate(home: Home): RequestHandler[] {
  const others = strangers(home);
  const enough = atMost(PAIRED_A_MINUTE);
  const recognise: RequestHandler = async (request, response, next) => {
    const brought = broughtBy(request);
    const device = await home.devices.recognise(brought);
    if (!device) return others(request, response, next);
    response.locals.device = device;
    home.known.note(request.socket.remoteAddress);
    if (request.path === PAIR) return response.redirect(303, '/');
    if (asksForPage(request)) giveCookie(response, brought!);
    return enough(request, response, next);
  };
  return [recognise];
}

/** The paired device a request came from. */
export const deviceOf = (response: Response): PairedDevice | undefined =>
  response.locals.device as PairedDevice | undefined;
