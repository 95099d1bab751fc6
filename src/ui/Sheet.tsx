import { Overlay } from '@/ui/rne';
import { createContext, useContext, type ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { Key } from './controls/Key';
import { Txt } from './Txt';
import { useFieldModes } from './fieldModes';
import { RADIUS, WIDE_FROM, space } from './theme/measures';
import { stylesOf } from './theme/theme';
import { useEscape } from './useEscape';

/** What is laid over every open sheet: short messages, which would otherwise lie hidden behind it. */
export const OverSheets = createContext<ReactNode>(null);

interface Props {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** Keys that stay in sight below what scrolls. */
  footer?: ReactNode;
  /** Goes back one step inside the sheet instead of closing it. */
  onBack?: (() => void) | undefined;
}

/** Width of a sheet on a wide screen, where it stands at the side instead of rising from below. */
const SIDE_WIDTH = 460;

/** A sheet over the desk: from below on a phone, at the left on a wide screen. Escape and the veil close it. */
export function Sheet({ title, onClose, onBack, children, footer }: Props) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const over = useContext(OverSheets);
  const { oneHand } = useFieldModes();
  const inside = useEscape(onBack ?? onClose);
  return (
    <Overlay
      isVisible
      onBackdropPress={onClose}
      onRequestClose={onBack ?? onClose}
      animationType="none"
      backdropStyle={styles.veil}
      overlayStyle={[
        styles.sheet,
        wide ? [styles.side, { height }] : [styles.rising, { width, maxHeight: height * 0.92 }],
      ]}
      aria-label={title}
    >
      <View ref={inside} style={[styles.head, onBack ? styles.headBack : null]}>
        {onBack ? <Key title="Back" icon="arrow-back" iconOnly weight="plain" onPress={onBack} /> : null}
        <Txt kind="title" level={2} style={styles.title}>
          {title}
        </Txt>
        {oneHand ? null : <Key title="Close" icon="close" iconOnly weight="plain" onPress={onClose} />}
      </View>
      <ScrollView style={styles.scroll} contentContainerStyle={styles.content} keyboardShouldPersistTaps="handled">
        {children}
      </ScrollView>
      {footer || oneHand ? (
        <View style={styles.footer}>
          {footer}
          {oneHand ? <Key title="Close" icon="close" onPress={onClose} /> : null}
        </View>
      ) : null}
      {over}
    </Overlay>
  );
}

const useStyles = stylesOf((palette) => ({
  veil: { backgroundColor: palette.veil },
  sheet: { backgroundColor: palette.paper, padding: 0, borderRadius: RADIUS, shadowOpacity: 0, elevation: 0 },
  rising: { position: 'absolute', bottom: 0, left: 0, borderTopWidth: 2, borderColor: palette.ink },
  side: { position: 'absolute', left: 0, top: 0, width: SIDE_WIDTH, borderRightWidth: 2, borderColor: palette.ink },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    paddingLeft: space.page,
    paddingRight: space.small,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  headBack: { paddingLeft: space.small },
  title: { flex: 1 },
  scroll: { flexShrink: 1 },
  content: { padding: space.page, gap: space.page },
  footer: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.medium,
    paddingHorizontal: space.page,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
}));
