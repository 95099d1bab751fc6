import fs from 'node:fs';
import path from 'node:path';

/** One input, or why it could not be read. */
export type Read = { ok: true; data: unknown } | { ok: false; message: string };

/** What a file holds: one input, a list of them, or one a line. */
export interface Inputs {
  form: 'one' | 'list' | 'lines';
  reads: Read[];
}

/** A file, or standard input for "-", as text without a byte-order mark. Names are meant from where the command was typed. */
export function textOf(file: string): string {
  const bytes =
    file === '-' ? fs.readFileSync(0) : fs.readFileSync(path.resolve(process.env.INIT_CWD ?? process.cwd(), file));
  return bytes.toString('utf8').replace(/^\uFEFF/, '');
}

function parsed(text: string, where: string): Read {
  try {
    return { ok: true, data: JSON.parse(text) as unknown };
  } catch (error) {
    return { ok: false, message: `${where} is not valid JSON: ${(error as Error).message}` };
  }
}

/**
 * Takes a text apart: a JSON object is one input, an array a list of inputs, and several lines of JSON one input each.
 *
 * @param name what the text is called in messages
 */
export function inputsOf(text: string, name: string): Inputs {
  const whole = parsed(text, name);
  if (whole.ok)
    return Array.isArray(whole.data)
      ? { form: 'list', reads: whole.data.map((data): Read => ({ ok: true, data })) }
      : { form: 'one', reads: [whole] };
  const lines = text
    .split(/\r?\n/)
    .flatMap((line, i) => (line.trim() === '' ? [] : [parsed(line, `${name}, line ${i + 1},`)]));
  // A text of which no line is JSON is one broken input, not many.
  return lines.length > 1 && lines.some((line) => line.ok)
    ? { form: 'lines', reads: lines }
    : { form: 'one', reads: [whole] };
}
