import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Guard } from './Guard';
import { Txt } from './Txt';
import { TARGET, space } from './theme/measures';
import { stylesOf, usePalette } from './theme/theme';

interface Props {
  title: string;
  /** What the group says while it is closed. */
  brief?: string;
  startsOpen?: boolean;
  /** Something in it must be seen: it opens when this turns true. */
  mustOpen?: boolean;
  children: ReactNode;
}

/** A group of readings that opens and closes. Closed groups are not drawn, so they cost nothing during a drag. */
export function Group({ title, brief, startsOpen = false, mustOpen = false, children }: Props) {
  const styles = useStyles();
  const [open, setOpen] = useState(startsOpen);
  const [forced, setForced] = useState(mustOpen);
  if (forced !== mustOpen) {
    setForced(mustOpen);
    if (mustOpen) setOpen(true);
  }
  return (
    <View style={styles.group}>
      <Head title={title} brief={open ? undefined : brief} open={open} setOpen={setOpen} />
      {open ? (
        <View style={styles.content}>
          <Guard what={`“${title}”`}>{children}</Guard>
        </View>
      ) : null}
    </View>
  );
}

interface HeadProps {
  title: string;
  brief: string | undefined;
  open: boolean;
  setOpen: (open: boolean) => void;
}

/** The line that opens and closes; drawn again only when its words change. */
const Head = memo(function Head({ title, brief, open, setOpen }: HeadProps) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <Pressable role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.head}>
      <Txt kind="strong" style={styles.title}>
        {title}
      </Txt>
      {brief ? (
        <Txt kind="small" tone="soft" numberOfLines={1} style={styles.brief}>
          {brief}
        </Txt>
      ) : null}
      <MaterialIcons name={open ? 'expand-less' : 'expand-more'} size={22} color={palette.press} />
    </Pressable>
  );
});

const useStyles = stylesOf((palette) => ({
  group: { borderTopWidth: 1, borderColor: palette.hairline },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
  },
  title: { flexShrink: 0, flexGrow: 1, maxWidth: '85%' },
  brief: { flexShrink: 1, textAlign: 'right' },
  content: { paddingBottom: space.large, gap: space.medium },
}));
