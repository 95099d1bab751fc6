const THIN = '\u202f';

/** The signs a locale writes numbers with, or null where it groups or numbers differently from 1,234,567.8. */
interface Signs {
  group: string;
  decimal: string;
}

const signsByLocale = new Map<string, Signs | null>();

/**
 * Asks Intl once per locale. A formatter takes milliseconds to make on a slow phone and this interface would need one for
 * every count of decimals, so common locales are written with their signs alone.
 */
function signsOf(locale: string | undefined): Signs | null {
  const key = locale ?? '';
  let signs = signsByLocale.get(key);
  if (signs === undefined) {
    const parts = new Intl.NumberFormat(locale, { maximumFractionDigits: 1 }).formatToParts(12345678.5);
    const plain = parts.map((part) => (part.type === 'group' || part.type === 'decimal' ? ' ' : part.value)).join('');
    const sign = (type: 'group' | 'decimal') => parts.find((part) => part.type === type)?.value ?? '';
    const decimal = sign('decimal');
    if (plain === '12 345 678 5') signs = { group: sign('group'), decimal };
    // A device set to no country groups nothing: there too a thousand is read at a glance.
    else signs = plain === '12345678 5' ? { group: decimal === ',' ? '.' : ',', decimal } : null;
    signsByLocale.set(key, signs);
  }
  return signs;
}

/** The sign the reader's locale groups thousands with, where it is a comma or a point: "1,000" there is a thousand. */
export function groupSign(locale?: string): ',' | '.' | undefined {
  const group = signsOf(locale)?.group;
  return group === ',' || group === '.' ? group : undefined;
}

/** The sign before decimals in the reader's locale. */
export const decimalSign = (locale?: string): string => signsOf(locale)?.decimal ?? '.';

function write(value: number, minimumDigits: number, maximumDigits: number, locale: string | undefined): string {
  const signs = signsOf(locale);
  if (!signs || Math.abs(value) >= 1e21) {
    const text = new Intl.NumberFormat(locale, {
      minimumFractionDigits: minimumDigits,
      maximumFractionDigits: maximumDigits,
    }).format(value);
    return text.replace('-', '−');
  }
  const [whole = '0', fraction = ''] = Math.abs(value).toFixed(maximumDigits).split('.');
  let kept = fraction.length;
  while (kept > minimumDigits && fraction[kept - 1] === '0') kept -= 1;
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, signs.group);
  return `${value < 0 ? '−' : ''}${grouped}${kept ? signs.decimal + fraction.slice(0, kept) : ''}`;
}

/** A number with `digits` decimals in the reader's locale, grouped, with a true minus sign. */
export function formatFixed(value: number, digits = 0, locale?: string): string {
  return write(Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value, digits, digits, locale);
}

/** A number to `figures` significant figures, without decimals it does not need. */
export function formatFigures(value: number, figures = 3, locale?: string): string {
  if (value === 0) return '0';
  const digits = Math.max(0, Math.min(8, figures - 1 - Math.floor(Math.log10(Math.abs(value)))));
  return write(value, 0, digits, locale);
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
