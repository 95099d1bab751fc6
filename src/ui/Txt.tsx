import { memo } from 'react';
import { Text, type TextProps } from 'react-native';
import { family, fontSize } from './theme/measures';
import { stylesOf } from './theme/theme';

export type TxtKind = 'body' | 'strong' | 'small' | 'fine' | 'label' | 'title' | 'figure' | 'large' | 'huge';
export type TxtTone = 'ink' | 'soft' | 'press' | 'onPress' | 'needle' | 'caution';

interface Props extends TextProps {
  /** Role of the text; decides face and size. */
  kind?: TxtKind;
  /** Colour by meaning. */
  tone?: TxtTone;
  /** Heading level for screen readers, where the text heads a block. */
  level?: 1 | 2 | 3;
}

/**
 * All text of the interface. Figures have equal widths, so that a changing number does not jump; words that stay are not
 * drawn again beside it.
 */
export const Txt = memo(function Txt({ kind = 'body', tone = 'ink', level, style, ...rest }: Props) {
  const styles = useStyles();
  return (
    <Text
      {...rest}
      {...(level ? { role: 'heading', 'aria-level': level } : {})}
      style={[styles[kind], styles[tone], style]}
    />
  );
});

const useStyles = stylesOf((palette) => ({
  body: { fontFamily: family.body, fontSize: fontSize.body, lineHeight: 22 },
  strong: { fontFamily: family.strong, fontSize: fontSize.body, lineHeight: 22 },
  small: { fontFamily: family.body, fontSize: fontSize.small, lineHeight: 19 },
  fine: { fontFamily: family.body, fontSize: fontSize.fine, lineHeight: 17 },
  label: { fontFamily: family.strong, fontSize: fontSize.fine, lineHeight: 17, letterSpacing: 0.4 },
  title: { fontFamily: family.figureStrong, fontSize: fontSize.title, lineHeight: 26 },
  figure: { fontFamily: family.figure, fontSize: fontSize.figure, lineHeight: 28, fontVariant: ['tabular-nums'] },
  large: { fontFamily: family.figureStrong, fontSize: fontSize.large, lineHeight: 38, fontVariant: ['tabular-nums'] },
  huge: { fontFamily: family.figureStrong, fontSize: fontSize.huge, lineHeight: 56, fontVariant: ['tabular-nums'] },
  ink: { color: palette.ink },
  soft: { color: palette.inkSoft },
  press: { color: palette.press },
  onPress: { color: palette.onPress },
  needle: { color: palette.needle },
  caution: { color: palette.caution },
}));
