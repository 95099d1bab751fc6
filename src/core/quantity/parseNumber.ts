import { fail, ok, type Result } from './result';

/** What a field measures: decides which unit suffixes it takes and which one is meant when none is typed. */
export type FieldUnit = 'm' | 'mm' | 'none';

const MM_PER: Record<string, number> = {
  mm: 1, cm: 10, m: 1000, km: 1e6,
  in: 25.4, inch: 25.4, inches: 25.4, '"': 25.4, '″': 25.4,
  ft: 304.8, feet: 304.8, foot: 304.8, "'": 304.8, '′': 304.8,
  yd: 914.4,
};

/**
 * Reads a plain number with comma or point as the decimal sign. With both, the last one is the decimal sign and the
 * other groups thousands; one sign that stands more than once groups thousands; a single one is always the decimal sign.
 *
 * @example parseDecimal('1,5') // { ok: true, value: 1.5 }
 */
export function parseDecimal(text: string): Result<number> {
  const compact = text.replace(/[\s\u00a0\u202f\u202f'’_]/g, '').replace(/\u2212/g, '-');
  if (compact === '') return fail('number.empty', 'Type a number.');
  const lastComma = compact.lastIndexOf(',');
  const lastPoint = compact.lastIndexOf('.');
  let plain = compact;
  if (lastComma >= 0 && lastPoint >= 0) {
    const decimal = lastComma > lastPoint ? ',' : '.';
    plain = compact.split(decimal === ',' ? '.' : ',').join('').replace(decimal, '.');
  } else {
    const sign = lastComma >= 0 ? ',' : '.';
    const parts = compact.split(sign);
    plain = parts.length > 2 ? parts.join('') : parts.join('.');
  }
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain)) {
    return fail('number.syntax', `“${text.trim()}” is not a number. Use digits, with a comma or a point for decimals.`);
  }
  const value = Number(plain);
  return Number.isFinite(value) ? ok(value) : fail('number.range', 'That number is too large.');
}

/**
 * Reads a length typed with or without a unit ("30 m", "12,5", "40 ft", "3 in"), and returns it in the field's own unit.
 * Without a suffix the number is in `assumed` (the unit shown beside the field).
 *
 * @param unit 'm' returns metres, 'mm' millimetres, 'none' a bare number that takes no suffix
 * @example parseLength('98.5 ft', 'm', 'm') // 30.0228
 */
export function parseLength(text: string, unit: FieldUnit, assumed: string): Result<number> {
  const match = /^(.*?[\d.,])\s*([a-z]+|["'″′])?\s*$/i.exec(text.trim());
  const digits = match?.[1] ?? text;
  const suffix = match?.[2]?.toLowerCase();
  const number = parseDecimal(digits);
  if (!number.ok || unit === 'none') {
    return suffix && unit === 'none' ? fail('number.syntax', `“${text.trim()}” is not a plain number.`) : number;
  }
  const perMm = MM_PER[suffix ?? assumed];
  if (perMm === undefined) return fail('number.unit', `“${suffix}” is not a unit of length. Use mm, cm, m, km, in or ft.`);
  return ok((number.value * perMm) / (MM_PER[unit] ?? 1));
}
