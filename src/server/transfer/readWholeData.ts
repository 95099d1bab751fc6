import { TokenParser, TokenType, Tokenizer } from '@streamparser/json';
import type { ParsedTokenInfo } from '@streamparser/json/utils/types/parsedTokenInfo.js';
import type { ResourceName } from '@/contract/resources';
import { wholeDataSchema } from '@/contract/schemas/wholeData';
import { RESOURCE_NAMES } from '@/contract/resources';
import { HttpProblem } from '../problems';

/** One row takes at most this many bytes; more without an end is not a file of data. */
const MOST_ROW_BYTES = 2 * 1024 * 1024;

/** Read out once: the package hands them out anew each time they are asked for. */
const { COLON, COMMA, LEFT_BRACE, LEFT_BRACKET, RIGHT_BRACE, RIGHT_BRACKET, STRING } = TokenType;

const FIELDS = Object.keys(wholeDataSchema.properties);

/** What stands in a file of data, as it is read. */
export interface WholeDataReader {
  /** Reads on. Rows are handed over as they end. */
  write: (chunk: Uint8Array) => void;
  /** The end of the file: what it says about itself. */
  end: () => Record<string, unknown>;
  /** The resources it has a list of, be it an empty one. */
  named: () => ResourceName[];
}

const malformed = (detail: string) => new HttpProblem(400, 'json.malformed', 'Not JSON', detail);
const wrongForm = (path: string, message: string) =>
  new HttpProblem(422, 'import.invalid', 'Nothing was imported', message, { errors: [{ path, message }] });

/** Follows the tokens of a file down to its rows, and refuses what has another form before it is kept in memory. */
function formWatch(
  onField: (name: string) => void,
  onResource: (name: ResourceName) => void,
): (token: ParsedTokenInfo) => void {
  let depth = 0;
  let key = '';
  let resource = '';
  let last: TokenType | null = null;
  return ({ token, value }) => {
    const opens = token === LEFT_BRACE || token === LEFT_BRACKET;
    if (depth === 0 && token !== LEFT_BRACE)
      throw wrongForm('', 'The file must hold a JSON object with “format”, “formatVersion” and “rows”.');
    if (depth === 1 && key === 'rows' && opens && token !== LEFT_BRACE)
      throw wrongForm('rows', 'Rows must be an object of lists, one for each kind of row.');
    if (depth === 1 && key !== 'rows' && opens) throw wrongForm(key, `“${key}” must not be a list or an object.`);
    if (
      depth === 2 &&
      resource !== '' &&
      token !== COLON &&
      token !== STRING &&
      token !== COMMA &&
      token !== RIGHT_BRACE &&
      token !== LEFT_BRACKET
    )
      throw wrongForm(`rows.${resource}`, `“${resource}” must be a list.`);
    if (depth === 3 && token !== LEFT_BRACE && token !== COMMA && token !== RIGHT_BRACKET)
      throw wrongForm(`rows.${resource}`, `Every row of “${resource}” must be an object.`);
    if (token === STRING && depth === 1 && last !== COLON) {
      key = String(value);
      if (!FIELDS.includes(key))
        throw wrongForm(
          key,
          `“${key}” is not a field of a file of data, which has “format”, “formatVersion” and “rows”. Choose another file, or remove it.`,
        );
      onField(key);
    }
    if (token === STRING && depth === 2) {
      resource = String(value);
      if (!RESOURCE_NAMES.includes(resource as ResourceName))
        throw wrongForm(`rows.${resource}`, `“${resource}” is not a kind of row. Known: ${RESOURCE_NAMES.join(', ')}.`);
      onResource(resource as ResourceName);
    }
    if (opens) depth += 1;
    if (token === RIGHT_BRACE || token === RIGHT_BRACKET) depth -= 1;
    last = token;
  };
}

/**
 * Reads a file of data piece by piece, whatever its size: what it says about itself is kept, each row is handed over and
 * forgotten.
 *
 * @throws HttpProblem when it is not JSON, or not of the form
 */
export function readWholeData(onRow: (name: ResourceName, row: unknown, i: number) => void): WholeDataReader {
  const head: Record<string, unknown> = {};
  let sinceRow = 0;
  const named = new Set<ResourceName>();
  const watch = formWatch(
    (name) => {
      // The rows themselves are handed over; that there are some is kept.
      if (name === 'rows') head.rows = {};
    },
    (name) => named.add(name),
  );
  const parser = new TokenParser({
    paths: [...FIELDS.filter((field) => field !== 'rows').map((field) => `$.${field}`), '$.rows.*.*'],
    keepStack: false,
  });
  parser.onValue = ({ value, key, stack }) => {
    if (stack.length === 3) {
      sinceRow = 0;
      return onRow(stack[2]!.key as ResourceName, value, key as number);
    }
    head[String(key)] = value;
  };
  const tokenizer = new Tokenizer();
  tokenizer.onToken = (token) => {
    watch(token);
    parser.write(token);
  };
  let problem: Error | null = null;
  const keep = (error: Error) => {
    problem ??= error;
  };
  tokenizer.onError = keep;
  parser.onError = keep;
  const check = () => {
    if (problem instanceof HttpProblem) throw problem;
    if (problem) throw malformed('The body is not valid JSON. Check brackets, quotes and commas.');
  };
  return {
    write: (chunk) => {
      sinceRow += chunk.length;
      tokenizer.write(chunk);
      check();
      if (sinceRow > MOST_ROW_BYTES)
        throw new HttpProblem(
          413,
          'body.tooLarge',
          'Too large',
          `One row of the file is larger than ${MOST_ROW_BYTES / 1024 / 1024} MB. Take it out, then try again.`,
        );
    },
    end: () => {
      if (!tokenizer.isEnded) tokenizer.end();
      check();
      if (!parser.isEnded) throw malformed('The file ends in the middle. Choose a file that is whole.');
      return head;
    },
    named: () => [...named],
  };
}
