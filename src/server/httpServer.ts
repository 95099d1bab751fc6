import http from 'node:http';
import type { Duplex } from 'node:stream';
import type { RequestHandler } from 'express';
import { HttpProblem, refusalOf } from './problems';

/** The whole of a request's head must have come by then, ms. */
const HEAD_MS = 10_000;
/** The longest anything may take to arrive, ms: a very large import. */
const REQUEST_MS = 30 * 60_000;
/** A body must bring so many bytes in each span of time, or end. */
const SPAN_MS = 10_000;
const LEAST_BYTES = 16 * 1024;
/** More connections than a few browsers of one person open. */
const MOST_CONNECTIONS = 256;

const STATUS_OF: Record<string, number> = {
  HPE_HEADER_OVERFLOW: 431,
  HPE_CHUNK_EXTENSIONS_OVERFLOW: 413,
  ERR_HTTP_REQUEST_TIMEOUT: 408,
};

/** What every answer carries, for those that no part of the application sees. */
const BARE_HEADERS = {
  'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'",
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Cache-Control': 'no-store',
} as const;

/** A whole answer as bytes, for when there is no request yet to answer. */
function rawAnswer(problem: HttpProblem): string {
  const body = JSON.stringify(problem);
  const headers = {
    'Content-Type': 'application/problem+json; charset=utf-8',
    'Content-Length': Buffer.byteLength(body),
    Connection: 'close',
    ...BARE_HEADERS,
  };
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}`);
  return `HTTP/1.1 ${problem.status} ${http.STATUS_CODES[problem.status] ?? ''}\r\n${lines.join('\r\n')}\r\n\r\n${body}`;
}

export const SERVER_OPTIONS = {
  headersTimeout: HEAD_MS,
  requestTimeout: REQUEST_MS,
  connectionsCheckingInterval: 2000,
  requireHostHeader: false,
  maxHeaderSize: 16 * 1024,
} satisfies http.ServerOptions;

/** The server around an application: everything is bounded, and what Node itself refuses is told in the same form. */
export const httpServer = (app: http.RequestListener): http.Server => bounded(http.createServer(SERVER_OPTIONS, app));

/** Bounds a server, and has it tell what Node refuses in the form of everything else. */
export function bounded<S extends http.Server>(server: S): S {
  server.maxConnections = MOST_CONNECTIONS;
  server.on('clientError', (error: NodeJS.ErrnoException, socket: Duplex) => {
    if (!socket.writable || error.code === 'ECONNRESET') return void socket.destroy();
    socket.end(rawAnswer(refusalOf(STATUS_OF[error.code ?? ''] ?? 400)), () => socket.destroy());
  });
  server.on('checkExpectation', (_request, response: http.ServerResponse) => {
    const problem = refusalOf(417);
    response
      .writeHead(problem.status, { 'content-type': 'application/problem+json', ...BARE_HEADERS })
      .end(JSON.stringify(problem));
  });
  return server;
}

/** Cuts off bodies that only drip in, which would hold a connection for ever. */
export function cutSlowBodies(spanMs = SPAN_MS, leastBytes = LEAST_BYTES): RequestHandler {
  return (request, response, next) => {
    if (request.headers['content-length'] === undefined && request.headers['transfer-encoding'] === undefined)
      return next();
    let before = request.socket.bytesRead;
    const timer = setInterval(() => {
      if (request.complete) return clearInterval(timer);
      const now = request.socket.bytesRead;
      if (now - before >= leastBytes) {
        before = now;
        return undefined;
      }
      clearInterval(timer);
      if (response.headersSent) return void request.destroy();
      const problem = refusalOf(408);
      response
        .writeHead(problem.status, { 'content-type': 'application/problem+json', connection: 'close' })
        .end(JSON.stringify(problem), () => request.destroy());
    }, spanMs);
    timer.unref();
    response.on('close', () => clearInterval(timer));
    next();
  };
}
