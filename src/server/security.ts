import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { HttpProblem } from './problems';

/** Names under which a browser on this machine may address the server. */
const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Refuses requests that were sent to another name than this machine's own (a page elsewhere whose name was pointed
 * here), and requests from a page of another origin.
 */
export const localOnly: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? '';
  if (!LOCAL_NAMES.has(hostName(host))) {
    throw new HttpProblem(403, 'host.refused', 'Wrong host', 'Jauge answers on this machine’s own address only: open it under 127.0.0.1 or localhost.');
  }
  const origin = request.headers.origin;
  if (origin !== undefined && origin !== `http://${host}`) {
    throw new HttpProblem(403, 'origin.refused', 'Wrong origin', 'Requests from pages of another origin are refused.');
  }
  next();
};

/** Response headers: own origin only, no framing, no sniffing. */
export const securityHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      // react-native-web writes its style sheet at run time.
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  // Plain http on loopback: these would send the browser to https.
  strictTransportSecurity: false,
  referrerPolicy: { policy: 'no-referrer' },
});
