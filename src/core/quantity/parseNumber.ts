import { fail, ok, type Result } from './result';

/** What a field measures: decides which unit suffixes it takes and which one is meant when none is typed. */
export type FieldUnit = 'm' | 'mm' | 'none' | 'aspect' | 'ratio';

const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  km: 1e6,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  ft: 304.8,
  feet: 304.8,
  foot: 304.8,
  "'": 304.8,
  '′': 304.8,
  yd: 914.4,
};

/**
 * Reads a plain number with comma or point as the decimal sign. With both, the last one is the decimal sign and the
 * other groups thousands; one sign that stands more than once groups thousands; a single one is the decimal sign, unless
 * the display itself writes thousands so.
 *
 * @param group the sign the display groups thousands with; where a text may be read both ways, the display's is meant
 * @example parseDecimal('1,5') // { ok: true, value: 1.5 }
 */
export function parseDecimal(text: string, group?: ',' | '.'): Result<number> {
  const compact = text.replace(/[\s\u00a0\u202f\u202f'’_]/g, '').replace(/\u2212/g, '-');
  if (compact === '') return fail('number.empty', 'Type a number.');
  const lastComma = compact.lastIndexOf(',');
  const lastPoint = compact.lastIndexOf('.');
  let plain = compact;
  if (lastComma >= 0 && lastPoint >= 0) {
    const decimal = lastComma > lastPoint ? ',' : '.';
    plain = compact
      .split(decimal === ',' ? '.' : ',')
      .join('')
      .replace(decimal, '.');
  } else {
    const sign = lastComma >= 0 ? ',' : '.';
    const parts = compact.split(sign);
    const asDisplayed = sign === group && /^[+-]?[1-9]\d{0,2}[.,]\d{3}$/.test(compact);
    plain = parts.length > 2 || asDisplayed ? parts.join('') : parts.join('.');
  }
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain)) {
    return fail('number.syntax', `“${text.trim()}” is not a number. Use digits, with a comma or a point for decimals.`);
  }
  const value = Number(plain);
  return Number.isFinite(value) ? ok(value) : fail('number.range', 'That number is too large.');
}

/** Reads one number, or two with a sign of division between them. */
function parseQuotient(text: string, signs: RegExp, message: string): Result<number> {
  const refused = fail('number.syntax', `“${text.trim()}” is not ${message}, or as one number.`);
  const sides = text.split(signs);
  if (sides.length > 2) return refused;
  const [over, under] = sides.map((side) => parseDecimal(side));
  if (!over?.ok) return refused;
  if (!under) return over;
  return under.ok && under.value > 0 ? ok(over.value / under.value) : refused;
}

/**
 * Reads an aspect typed as people write it: "5:4", "16 : 9", "3/2", "1.25".
 *
 * @returns width ÷ height
 * @example parseAspect('5:4') // 1.25
 */
export const parseAspect = (text: string): Result<number> =>
  parseQuotient(text, /[:/×x]/, 'an aspect. Type it like 5:4');

/**
 * Reads a reproduction ratio typed as people write it: "1:4", "1 : 4", "2:1", "1/4", "0.25", "2×".
 *
 * @returns picture ÷ subject
 * @example parseRatio('1:4') // 0.25
 */
export const parseRatio = (text: string): Result<number> =>
  parseQuotient(text.replace(/[×x]\s*$/, ''), /[:/∶]/, 'a ratio. Type it like 1:4');

/** A piece of a length: digits, and the unit behind them if there is one. */
const PIECE = /([+-]?[\d.,\s\u00a0\u202f\u2212’_]*[\d.,](?:e[+-]?\d+)?)\s*([a-zµ]+|["'″′])?/giy;

/** Cuts a length into its pieces ("29 ft 6 in" into two); null where something else stands in it. */
function piecesOf(text: string): { digits: string; unit: string | undefined }[] | null {
  const found: { digits: string; unit: string | undefined }[] = [];
  PIECE.lastIndex = 0;
  while (PIECE.lastIndex < text.length) {
    const match = PIECE.exec(text);
    if (!match) return null;
    found.push({ digits: match[1]!, unit: match[2]?.toLowerCase() });
  }
  return found.length ? found : null;
}

/** The smaller unit a second number without one is in: inches after feet. */
const INCHES_AFTER = new Set(['ft', 'feet', 'foot', "'", '′']);

/**
 * Reads a length typed with or without a unit ("30 m", "12,5", "40 ft", "29' 6\"", "1 m 20 cm"), and returns it in the field's
 * own unit. Without a suffix the number is in `assumed` (the unit shown beside the field).
 *
 * @param unit 'm' returns metres, 'mm' millimetres, 'none' a bare number that takes no suffix
 * @param group the sign the display groups thousands with
 * @example parseLength('98.5 ft', 'm', 'm') // 30.0228
 */
export function parseLength(text: string, unit: FieldUnit, assumed: string, group?: ',' | '.'): Result<number> {
  if (unit === 'aspect') return parseAspect(text);
  if (unit === 'ratio') return parseRatio(text);
  const pieces = piecesOf(text.trim());
  if (!pieces || unit === 'none') {
    const number = parseDecimal(text, group);
    return number.ok || unit !== 'none' ? number : fail('number.syntax', `“${text.trim()}” is not a plain number.`);
  }
  let mm = 0;
  let last = Infinity;
  for (const [i, piece] of pieces.entries()) {
    const number = parseDecimal(piece.digits, group);
    if (!number.ok) return number;
    const name = piece.unit ?? (i > 0 && INCHES_AFTER.has(pieces[i - 1]!.unit ?? '') ? 'in' : assumed);
    const perMm = MM_PER[name];
    if (perMm === undefined)
      return fail('number.unit', `“${name}” is not a unit of length. Use mm, cm, m, km, in or ft.`);
    // "6 in 29 ft" or "3 m 4 m" is a slip, not a sum.
    if (perMm >= last || (i > 0 && piece.unit === undefined && name === assumed))
      return fail('number.syntax', `“${text.trim()}” is not one length. Type it like 29 ft 6 in, or with one unit.`);
    mm += number.value * perMm;
    last = perMm;
  }
  return ok(mm / (MM_PER[unit] ?? 1));
}
