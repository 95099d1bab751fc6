import { create } from 'qrcode';
import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';
import { DAY } from '@/ui/theme/palette';

/** White around it, in modules: cameras ask for four. */
const QUIET = 4;

/** Dark modules of a text as one path of unit squares, and how many there are in a row. */
export function qrModules(text: string): { path: string; size: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  let path = '';
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) if (modules.get(y, x)) path += `M${x + QUIET} ${y + QUIET}h1v1h-1z`;
  return { path, size: size + 2 * QUIET };
}

/** An address as a picture for a camera. Dark on light in every look: most cameras read no other. */
export function QrPicture({ text, sizePx }: { text: string; sizePx: number }) {
  const { path, size } = useMemo(() => qrModules(text), [text]);
  return (
    <Svg
      width={sizePx}
      height={sizePx}
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label={`The address ${text} as a picture for a camera`}
    >
      <Rect width={size} height={size} fill={DAY.raised} />
      <Path d={path} fill={DAY.ink} />
    </Svg>
  );
}
