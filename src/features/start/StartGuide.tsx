import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { FORMATS } from '@/core/sensor/formats';
import { lensesFor, type Aim, type TypicalLens } from '@/core/kit/typicalLenses';
import { formatFigures } from '@/core/quantity/format';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { MegapixelChoice } from '../kit/NewBody';
import { DemoKey } from '../kit/DemoKit';
import { useGo } from '../kit/useGo';
import { OwnLens } from './OwnLens';
import { SubjectTiles } from './SubjectTiles';
import { useStart } from './useStart';

const AIMS: { value: Aim; name: string; gloss: string }[] = [
  { value: 'far', name: 'Far', gloss: 'birds, mammals' },
  { value: 'near', name: 'Near', gloss: 'insects, flowers' },
  { value: 'sky', name: 'Sky', gloss: 'stars, planets' },
];
const AIM_NAMES: Record<Aim, string> = { far: 'Far subjects', near: 'Near subjects', sky: 'The sky' };

const lensGloss = ({ spec }: TypicalLens): string =>
  spec.kind === 'telescope'
    ? `f/${formatFigures(spec.focalMm / spec.apertureMm, 2)}`
    : spec.closestRatio === 1
      ? 'macro, 1 : 1'
      : spec.focalWideMm === spec.focalTeleMm
        ? 'prime'
        : 'zoom';

/** From nothing to a first reading: four questions, a tap or two each, nothing to type. */
export default function StartGuide() {
  const styles = useStyles();
  const go = useGo();
  const start = useStart(go);
  const { answers, step } = start;
  const [own, setOwn] = useState(false);
  const format = FORMATS.find((each) => each.id === answers.formatId);
  return (
    <ScrollView contentContainerStyle={styles.content}>
      <Txt kind="title" level={1}>
        A reading in a few taps
      </Txt>
      {answers.aim ? <Answered text={AIM_NAMES[answers.aim]} onChange={() => start.again('aim')} /> : null}
      {answers.body ? <Answered text={answers.body.name} onChange={() => start.again('body')} /> : null}
      {answers.optic ? <Answered text={answers.optic.name} onChange={() => start.again('lens')} /> : null}
      {step === 'aim' ? (
        <Choice label="What do you want to photograph?" options={AIMS} value={null} onChange={start.chooseAim} />
      ) : null}
      {step === 'body' ? (
        <>
          <Choice
            label="Your camera’s sensor"
            options={FORMATS.map((each) => ({ value: each.id, name: each.name, gloss: each.gloss }))}
            value={answers.formatId}
            onChange={start.chooseFormat}
          />
          {format ? <MegapixelChoice format={format} onMake={start.chooseBody} /> : null}
        </>
      ) : null}
      {step === 'lens' && answers.aim ? (
        <>
          <Choice
            label="A lens like yours"
            options={lensesFor(answers.aim).map((each) => ({
              value: each.id,
              name: each.spec.name,
              gloss: lensGloss(each),
            }))}
            value={null}
            onChange={(id) => {
              const lens = lensesFor(answers.aim!).find((each) => each.id === id);
              if (lens) start.chooseLens(lens.spec);
            }}
          />
          {own ? (
            <OwnLens onMake={start.chooseLens} />
          ) : (
            <Key title="My own numbers" icon="edit" onPress={() => setOwn(true)} />
          )}
        </>
      ) : null}
      {step === 'subject' ? <SubjectTiles near={answers.aim === 'near'} onChoose={start.chooseSubject} /> : null}
      {step === 'aim' ? (
        <View style={styles.others}>
          <DemoKey />
          <Key title="Start from a photo’s data" icon="photo-camera" onPress={() => go('/kit/bring')} />
        </View>
      ) : (
        <Txt kind="small" tone="soft">
          What you do not know is taken as usual and marked “assumed”. All of it can be changed later.
        </Txt>
      )}
    </ScrollView>
  );
}

/** A question that is answered, and the way back to it. */
function Answered({ text, onChange }: { text: string; onChange: () => void }) {
  const styles = useStyles();
  return (
    <View style={styles.answered}>
      <Txt kind="strong" style={styles.answer}>{`✓ ${text}`}</Txt>
      <Key title={`Change: ${text}`} icon="edit" iconOnly weight="plain" onPress={onChange} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.large, width: '100%', maxWidth: 640, marginHorizontal: 'auto' },
  answered: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  answer: { flexShrink: 1 },
  others: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium, paddingTop: space.page },
}));
