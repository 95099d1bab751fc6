import { Text as SvgText, type TextProps } from 'react-native-svg';
import { family, fontSize } from './theme/measures';

interface Props extends Omit<TextProps, 'children'> {
  text: string;
  /** Colour of the letters, and of the ground they stand on. */
  colour: string;
  ground: string;
}

/** Width of the clear ground around letters. */
const HALO = 5;

/** Letters in a drawing, with a clear ground around them so that no line runs through a name. */
export function HaloText({ text, colour, ground, ...rest }: Props) {
  return [true, false].map((halo) => (
    <SvgText
      key={String(halo)}
      fontSize={fontSize.fine}
      fontFamily={family.figure}
      {...rest}
      fill={halo ? ground : colour}
      stroke={halo ? ground : 'none'}
      strokeWidth={halo ? HALO : 0}
      strokeLinejoin="round"
    >
      {text}
    </SvgText>
  ));
}
