import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { fairTest, fairTestCard } from '@/core/far/fairTest';
import { sideBySide } from '@/core/far/sideBySide';
import { saveFile } from '@/ui/files';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { Chooser } from './Chooser';
import { useContenders } from './useContenders';

/** What must be held equal when two set-ups are tested, with matched settings, as a card to take along. */
export default function FairTestPage() {
  const styles = useStyles();
  const contest = useContenders();
  const { situation, contenders } = contest;
  const compared = useMemo(
    () => (situation ? sideBySide({ ...situation, contenders, stance: 'sameFraming' }) : null),
    [situation, contenders],
  );
  const [a, b] = compared?.compared ?? [];
  const points = a && b ? fairTest(a, b) : [];
  return (
    <Page title="Fair test" up="/far">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Txt kind="small" tone="soft">
          Tests are spoiled by what was not held equal. The first two set-ups ticked are tested; settings are worked out
          for the distance in hand.
        </Txt>
        <Chooser contest={contest} />
        {a && b ? (
          <>
            <Txt kind="title" level={2}>
              {a.name} against {b.name}
            </Txt>
            <View role="list">
              {points.map((point) => (
                <View key={point.what} role="listitem" style={styles.point}>
                  <Txt kind="strong">☐ {point.what}</Txt>
                  <Txt>{point.how}</Txt>
                </View>
              ))}
            </View>
            <Key
              title="Card to take along (Markdown)"
              icon="download"
              onPress={() =>
                saveFile('fair-test.md', new Blob([fairTestCard(a, b, points)], { type: 'text/markdown' }))
              }
            />
          </>
        ) : (
          <Txt tone="soft">{contest.loading ? 'Opening …' : 'Tick another set-up that can take this picture.'}</Txt>
        )}
        {compared?.left.map((each) => (
          <Txt key={each.name} kind="small" tone="caution">
            ⚠ {each.name} is left out: {each.reason}
          </Txt>
        ))}
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 760, marginHorizontal: 'auto' },
  point: { minHeight: TARGET, paddingVertical: space.medium, borderBottomWidth: 1, borderColor: palette.hairline },
}));
