import { useEffect } from 'react';
import { View } from 'react-native';
import { useNotice } from '@/data/notice';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** Long enough to read and to reach the key with cold hands. */
const STAYS_MS = 8000;

/** In the flow above the places, so that it covers nothing: the last thing done, with the one thing that can be done about it. */
export function NoticeBar() {
  const styles = useStyles();
  const { notice, clear } = useNotice();
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(clear, STAYS_MS);
    return () => clearTimeout(timer);
  }, [notice, clear]);
  if (!notice) return null;
  return (
    <View style={styles.bar} role="status">
      <Txt kind="small" style={styles.words}>
        {notice.text}
      </Txt>
      {notice.action ? (
        <Key
          title={notice.action.title}
          weight="outline"
          onPress={() => {
            notice.action?.run();
            clear();
          }}
        />
      ) : null}
      <Key title="Dismiss" icon="close" iconOnly weight="plain" onPress={clear} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    minHeight: TARGET,
    paddingLeft: space.large,
    paddingVertical: space.small,
    backgroundColor: palette.raised,
    borderTopWidth: 2,
    borderColor: palette.ink,
  },
  words: { flex: 1 },
}));
