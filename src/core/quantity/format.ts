const THIN = '\u2009';
const formatters = new Map<string, Intl.NumberFormat>();

/** Number formatters are costly to make and are asked for on every frame of a drag, so each is made once. */
function formatter(locale: string | undefined, options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = `${locale ?? ''}|${JSON.stringify(options)}`;
  let made = formatters.get(key);
  if (!made) {
    made = new Intl.NumberFormat(locale, options);
    formatters.set(key, made);
  }
  return made;
}

const trueMinus = (text: string): string => text.replace('-', '−');

/**
 * A number with `digits` decimals in the reader's locale, with a true minus sign; grouped from 10,000 up would hide the
 * difference between 2330 and 23300, so grouping is always on.
 */
export function formatFixed(value: number, digits = 0, locale?: string): string {
  const rounded = Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value;
  return trueMinus(formatter(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits }).format(rounded));
}

/** A number to `figures` significant figures, without decimals it does not need. */
export function formatFigures(value: number, figures = 3, locale?: string): string {
  if (value === 0) return '0';
  const digits = Math.max(0, Math.min(8, figures - 1 - Math.floor(Math.log10(Math.abs(value)))));
  return trueMinus(formatter(locale, { maximumFractionDigits: digits }).format(value));
}

/** A value and its unit, with the thin space between. */
export const withUnit = (text: string, unit: string): string => (unit === '' ? text : `${text}${THIN}${unit}`);

/** A change in per cent with its sign: "+40 %", "−12 %", "±0 %". */
export function formatChange(ratio: number, locale?: string): string {
  const percent = Math.round((ratio - 1) * 100);
  const sign = percent > 0 ? '+' : percent < 0 ? '−' : '±';
  return `${sign}${formatFixed(Math.abs(percent), 0, locale)}${THIN}%`;
}

/** Stops of light in thirds: "−1 stop", "+2⅓ stops". */
export function formatStops(stops: number): string {
  const thirds = Math.round(stops * 3);
  const whole = Math.floor(Math.abs(thirds) / 3);
  const part = ['', '⅓', '⅔'][Math.abs(thirds) % 3];
  const sign = thirds > 0 ? '+' : thirds < 0 ? '−' : '±';
  const size = whole === 0 && part ? part : `${whole}${part}`;
  return `${sign}${size}${THIN}${Math.abs(thirds) <= 3 && thirds !== 0 ? 'stop' : 'stops'}`;
}

/** A reproduction ratio both ways round: "1.6 : 1" above life size, "1 : 1.4" below. */
export function formatRatio(ratio: number, locale?: string): string {
  return ratio >= 1 ? `${formatFigures(ratio, 3, locale)} : 1` : `1 : ${formatFigures(1 / ratio, 3, locale)}`;
}
