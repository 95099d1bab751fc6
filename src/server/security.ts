import fs from 'node:fs';
import path from 'node:path';
import type { Request, RequestHandler } from 'express';
import helmet from 'helmet';
import { HttpProblem } from './problems';

/** The name the application lives under. */
const OWN_NAME = '127.0.0.1';
/** Other names under which a browser on this machine may address the server. */
const LOCAL_NAMES = new Set([OWN_NAME, 'localhost', '[::1]']);

/** Through what a request may come: by which scheme, and under which names. */
export interface Door {
  scheme: 'http' | 'https';
  names: () => Iterable<string>;
}

/** This machine's own. */
export const COMPUTER_DOOR: Door = { scheme: 'http', names: () => LOCAL_NAMES };

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();
const isApi = (request: Request): boolean => /^\/api(\/|$)/i.test(request.path);

/**
 * Refuses requests that were sent to another name than this machine's own (a page elsewhere whose name was pointed
 * here), and requests from a page of another origin: by the Origin header, and by what the browser itself says of the page.
 */
export const ownNamesOnly =
  ({ scheme, names }: Door): RequestHandler =>
  (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (![...names()].includes(hostName(host))) {
      throw new HttpProblem(
        403,
        'host.refused',
        'Wrong host',
        scheme === 'http'
          ? 'Jauge answers on this machine’s own address only: open it under 127.0.0.1 or localhost.'
          : 'Jauge answers under this computer’s own addresses only: open the one it shows.',
      );
    }
    const origin = request.headers.origin;
    const site = request.headers['sec-fetch-site'];
    // Following a link from elsewhere to a page of the application is fine; everything else must come from its own pages.
    const visits = request.headers['sec-fetch-mode'] === 'navigate' && request.method === 'GET' && !isApi(request);
    if (
      (origin !== undefined && origin !== `${scheme}://${host}`) ||
      (site !== undefined && site !== 'same-origin' && site !== 'none' && !visits)
    ) {
      throw new HttpProblem(
        403,
        'origin.refused',
        'Wrong origin',
        'Requests from pages of another origin are refused.',
      );
    }
    next();
  };

/** Leads a page asked for under another name of this machine to the one name: what waits in the browser is kept by name. */
export const oneOrigin: RequestHandler = (request, response, next) => {
  const host = request.headers.host ?? '';
  if (hostName(host) === OWN_NAME || isApi(request) || !['GET', 'HEAD'].includes(request.method)) return next();
  const port = /:(\d+)$/.exec(host)?.[1];
  response.redirect(308, `http://${OWN_NAME}${port === undefined ? '' : `:${port}`}${request.originalUrl}`);
};

/** Gives out only what really lies in a folder: a link in it that leads elsewhere is not followed. */
export function insideOnly(folder: string): RequestHandler {
  const root = fs.realpathSync(folder);
  // Those that look for packed files would walk through it at the start.
  const link = fs.readdirSync(root, { withFileTypes: true, recursive: true }).find((entry) => entry.isSymbolicLink());
  if (link)
    throw new Error(
      `${path.join(link.parentPath ?? link.path, link.name)} is a link, which is not followed. Remove it, or build the application again (npm run build).`,
    );
  return (request, _response, next) => {
    let wanted: string;
    try {
      wanted = path.join(root, decodeURIComponent(request.path));
    } catch {
      throw new HttpProblem(
        400,
        'request.malformed',
        'Not a request',
        'The address cannot be read: look for broken % signs.',
      );
    }
    const real = realPathOf(wanted);
    if (real !== null && real !== root && !real.startsWith(root + path.sep))
      throw new HttpProblem(404, 'route.unknown', 'Unknown address', `There is nothing at ${request.path}.`);
    next();
  };
}

function realPathOf(wanted: string): string | null {
  try {
    return fs.realpathSync(wanted);
  } catch {
    // No such file: what comes after says so.
    return null;
  }
}

/** An empty style element, which react-native-web fills through the style sheet's own interface. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";

/**
 * What reads pictures and camera raw is WebAssembly whose glue is made at run time. A worker obeys the policy that comes with its
 * own script: only these may do so, and they can reach nothing but this server's files.
 */
const WORKERS_WITH_GLUE = new Set(['/raw/worker.js', '/pictures/reader.js', '/pictures/vips-es6.js']);
const GLUE_POLICY =
  "default-src 'none'; script-src 'self' 'unsafe-eval' 'wasm-unsafe-eval'; worker-src 'self'; connect-src 'self'";

/** Response headers: own origin only, no framing, no sniffing. */
export const securityHeaders: RequestHandler[] = [
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", EMPTY_STYLE],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        requireTrustedTypesFor: ["'script'"],
        trustedTypes: ['default'],
      },
    },
    // Plain http on loopback: these would send the browser to https.
    strictTransportSecurity: false,
    referrerPolicy: { policy: 'no-referrer' },
    // Nothing of another origin is ever in a page; so the workers that read pictures may share memory.
    crossOriginEmbedderPolicy: { policy: 'require-corp' },
    crossOriginOpenerPolicy: { policy: 'same-origin' },
  }),
  (request, response, next) => {
    if (WORKERS_WITH_GLUE.has(request.path)) response.setHeader('Content-Security-Policy', GLUE_POLICY);
    response.setHeader(
      'Permissions-Policy',
      'geolocation=(self), accelerometer=(self), gyroscope=(self), magnetometer=(self), screen-wake-lock=(self), camera=(), microphone=(), payment=(), usb=(), serial=(), midi=(), display-capture=(), browsing-topics=()',
    );
    next();
  },
];
