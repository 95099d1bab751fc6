import { useRef } from 'react';
import { ScrollView, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { OutingWords, PictureWords } from '@/core/outing/outingWords';
import { useOutingPlan } from '@/data/outing/useOutingPlan';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { CardKeys } from './CardKeys';
import { FactLines } from './FactLines';
import { OutingGate } from './OutingGate';
import { PlanProgress } from './PlanProgress';

/** The card of an outing: what to set for each picture, large enough for the dark. */
export default function CardPage({ id }: { id: string }) {
  return <OutingGate id={id}>{(row) => <Card key={row.id} row={row} />}</OutingGate>;
}

function Card({ row }: { row: StoredOf<'outings'> }) {
  const styles = useStyles();
  const { work, words, parts } = useOutingPlan(row);
  const scroll = useRef<ScrollView>(null);
  return (
    <Page title={`Card · ${row.data.name}`} up={`/book/outings/${row.id}`}>
      <ScrollView ref={scroll} tabIndex={0} contentContainerStyle={styles.content}>
        <PlanProgress work={work} />
        {words ? <Pages words={words} /> : null}
        {words && parts ? <CardKeys row={row} words={words} night={parts.night} /> : null}
      </ScrollView>
    </Page>
  );
}

function Pages({ words }: { words: OutingWords }) {
  const styles = useStyles();
  return (
    <>
      <Txt kind="small" tone="soft">
        {words.when}
      </Txt>
      <View style={styles.pictures}>
        {words.pictures.map((picture) => (
          <Picture key={picture.wantId} picture={picture} />
        ))}
      </View>
      {words.cautions.map((caution) => (
        <Txt key={caution} kind="small" tone="caution">
          {caution}
        </Txt>
      ))}
    </>
  );
}

function Picture({ picture }: { picture: PictureWords }) {
  const styles = useStyles();
  const { title, under, judgement, enough, setup, swap, big, lines, closer, missing, note } = picture;
  return (
    <View style={styles.picture} role="group" aria-label={title}>
      <Txt kind="title" level={2}>
        {title}
      </Txt>
      <Txt kind="small" tone="soft">
        {under}
      </Txt>
      <Txt tone={enough ? 'press' : 'needle'}>{judgement}</Txt>
      {setup.length ? <Txt kind="strong">{setup.join(' + ')}</Txt> : null}
      {swap ? <Txt kind="small">{`Before it · ${swap}`}</Txt> : null}
      {missing ? (
        <Txt kind="small" tone="caution">
          {missing}
        </Txt>
      ) : null}
      <View style={styles.big}>
        {big.map(({ name, text }) => (
          <View key={name}>
            <Txt kind="fine" tone="soft">
              {name}
            </Txt>
            <Txt kind="figure">{text}</Txt>
          </View>
        ))}
      </View>
      <FactLines
        label={`What to set for ${title}`}
        lines={lines.filter((line) => !big.some((each) => each.name === line.name && each.text === line.text))}
      />
      {note ? <Txt>{note}</Txt> : null}
      {closer.length ? (
        <View style={styles.closer} role="list" aria-label={`${title}: when it comes closer`}>
          <Txt kind="label" tone="soft">
            When it comes closer
          </Txt>
          {closer.map((each) => (
            <Txt key={each} role="listitem">
              {each}
            </Txt>
          ))}
        </View>
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1180, marginHorizontal: 'auto' },
  pictures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.page },
  picture: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 340,
    minWidth: 0,
    maxWidth: 560,
    gap: space.small,
    padding: space.page,
    borderWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.raised,
  },
  big: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide, rowGap: space.small },
  closer: { gap: space.small, paddingTop: space.small, borderTopWidth: 1, borderColor: palette.hairline },
}));
