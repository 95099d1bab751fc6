import type { ApiProblem, FieldError, RunningJob } from '@/contract/problem';
import { storageFaultOf } from './database/storageFault';

/** An error that becomes application/problem+json. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail: string,
    readonly extra: {
      errors?: FieldError[];
      stored?: unknown;
      yours?: unknown;
      usedBy?: ApiProblem['usedBy'];
      running?: RunningJob;
    } = {},
  ) {
    super(detail);
  }

  toJSON(): ApiProblem {
    return {
      type: `/problems/${this.code}`,
      title: this.title,
      status: this.status,
      code: this.code,
      detail: this.detail,
      ...this.extra,
    };
  }
}

interface HttpError {
  type?: string;
  status?: number;
  limit?: number;
}

/** What the HTTP layer refuses, by its own name for it. */
const BY_TYPE: Record<string, (error: HttpError) => HttpProblem> = {
  'entity.parse.failed': () =>
    new HttpProblem(
      400,
      'json.malformed',
      'Not JSON',
      'The body is not valid JSON. Check brackets, quotes and commas.',
    ),
  'entity.too.large': ({ limit }) =>
    new HttpProblem(413, 'body.tooLarge', 'Too large', `The body may have at most ${limit} bytes.`),
  'encoding.unsupported': () =>
    new HttpProblem(
      415,
      'body.encoding',
      'Unknown encoding',
      'Send the body as UTF-8 JSON, plain or packed with gzip, deflate or br.',
    ),
  'charset.unsupported': () =>
    new HttpProblem(415, 'body.encoding', 'Unknown encoding', 'Send the body as UTF-8 JSON.'),
  'request.aborted': () =>
    new HttpProblem(400, 'body.cutOff', 'Cut off', 'The body ended in the middle. Nothing was stored; send it again.'),
  'request.size.invalid': () =>
    new HttpProblem(
      400,
      'body.cutOff',
      'Cut off',
      'The body has not the length its header says. Nothing was stored; send it again.',
    ),
};

/** Statuses below 500 that come without a name. */
const BY_STATUS: Record<number, [code: string, title: string, detail: string]> = {
  400: [
    'request.malformed',
    'Not a request',
    'The address or the body cannot be read: look for broken % signs, or a body that is not packed as its header says.',
  ],
  403: ['path.refused', 'Not allowed', 'This path is not given out.'],
  404: ['route.unknown', 'Unknown address', 'There is nothing here.'],
  405: ['method.unknown', 'Unknown method', 'This address does not take that method.'],
  408: ['request.slow', 'Too slow', 'The request took too long to arrive. Send it again.'],
  412: ['request.condition', 'Condition not met', 'The file is not the one the request asks for.'],
  413: ['body.tooLarge', 'Too large', 'The request is larger than is taken here.'],
  416: ['range.impossible', 'No such part', 'The file has no such part. Ask for all of it.'],
  417: ['request.expectation', 'Not expected', 'This expectation cannot be met. Leave the Expect header out.'],
  431: ['header.tooLarge', 'Header too large', 'The headers of the request are larger than is taken here.'],
};

/** What Node and the HTTP layer refuse, in the form of everything else. */
export function refusalOf(status: number): HttpProblem {
  const [code, title, detail] = BY_STATUS[status] ?? BY_STATUS[400]!;
  return new HttpProblem(BY_STATUS[status] ? status : 400, code, title, detail);
}

/** The problem an error is told as; null when it is a fault of the server itself. */
export function problemOf(error: unknown, file: string): HttpProblem | null {
  if (error instanceof HttpProblem) return error;
  const fault = storageFaultOf(error, file);
  if (fault) return new HttpProblem(fault.status, fault.code, fault.title, fault.message);
  const { type, status } = (error ?? {}) as HttpError;
  const named = type === undefined ? undefined : BY_TYPE[type];
  if (named) return named(error as HttpError);
  return status !== undefined && status >= 400 && status < 500 ? refusalOf(status) : null;
}
