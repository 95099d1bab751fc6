import { useState } from 'react';
import { View } from 'react-native';
import Papa from 'papaparse';
import { stackPlan } from '@/core/near/stackPlan';
import { subjectDepthMm } from '@/core/near/subjectDepth';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { quantityText, showFNumber } from '@/core/quantity/quantityText';
import { saveFile } from '@/ui/files';
import { usePreferences } from '@/data/preferences';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { NearPage, type NearPageParts } from './NearPage';

/** The table is read out loud: beyond this many lines it goes into the file. */
const MOST_LINES = 60;

/** Plans a focus stack and writes the table of rail positions. */
export default function StackPage() {
  return <NearPage title="Focus stack">{(parts) => <Stack {...parts} />}</NearPage>;
}

function Stack({ situation, system, reading }: NearPageParts) {
  const units = usePreferences((state) => state.units);
  const [typed, setTyped] = useState<number | null>(null);
  const [overlap, setOverlap] = useState(0.25);
  const [rail, setRail] = useState<'steps' | 'turns'>('steps');
  const [stepUm, setStepUm] = useState(5);
  const [turnMm, setTurnMm] = useState(1);
  const [seconds, setSeconds] = useState(3);
  if (!reading) return null;
  const coverMm = typed ?? Number(subjectDepthMm(situation.subject.kind, situation.subject.sizeMm).toPrecision(2));
  // A knob is read in hundredths of a turn.
  const railStepUm = rail === 'steps' ? stepUm : turnMm * 10;
  const plan = stackPlan({
    coverMm,
    depthMm: reading.depthMm.value,
    overlap,
    railStepUm,
    secondsPerFrame: seconds,
    fileSizeMb: system.fileSizeMb,
  });
  const railText = (steps: number) => (rail === 'steps' ? formatFixed(steps) : formatFigures(steps / 100, 4));
  const unit = rail === 'steps' ? 'Steps' : 'Turns';
  const save = () => {
    if (!plan.ok) return;
    const rows = plan.value.frames.map((frame) => ({
      frame: frame.frame,
      position_mm: Number(frame.positionMm.toFixed(4)),
      [rail === 'steps' ? 'rail_steps' : 'rail_turns']: Number(
        (rail === 'steps' ? frame.railSteps : frame.railSteps / 100).toFixed(3),
      ),
    }));
    saveFile('focus-stack.csv', new Blob([Papa.unparse(rows, { newline: '\r\n' }), '\r\n'], { type: 'text/csv' }));
  };
  return (
    <>
      <Txt>
        {`${situation.subject.name} at ${formatRatio(reading.ratio.value)}, ${showFNumber(reading.setFNumber.value)}: one frame is ${quantityText(reading.depthMm, units)} deep.`}
      </Txt>
      <View style={row}>
        <View style={half}>
          <NumberField
            label="Depth to cover"
            value={coverMm}
            unit="mm"
            shownUnit="mm"
            minimum={0.001}
            maximum={1000}
            onChange={setTyped}
            testID="cover-field"
          />
        </View>
        <View style={half}>
          <NumberField
            label="Overlap"
            value={overlap * 100}
            unit="none"
            shownUnit="%"
            minimum={0}
            maximum={90}
            onChange={(value) => value !== null && setOverlap(value / 100)}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Flash recycling, or settling, a frame"
            value={seconds}
            unit="none"
            shownUnit="s"
            minimum={0}
            maximum={600}
            onChange={(value) => value !== null && setSeconds(value)}
          />
        </View>
      </View>
      <Choice
        label="The rail"
        options={[
          { value: 'steps', name: 'Motor, steps' },
          { value: 'turns', name: 'Knob, turns' },
        ]}
        value={rail}
        onChange={setRail}
      />
      {rail === 'steps' ? (
        <NumberField
          label="One step"
          value={stepUm}
          unit="none"
          shownUnit="µm"
          minimum={0.01}
          maximum={10_000}
          onChange={(value) => value !== null && setStepUm(value)}
        />
      ) : (
        <NumberField
          label="One turn"
          value={turnMm}
          unit="mm"
          shownUnit="mm"
          minimum={0.01}
          maximum={100}
          onChange={(value) => value !== null && setTurnMm(value)}
        />
      )}
      {plan.ok ? (
        <>
          <Txt kind="title" role="status" testID="stack-summary">
            {`${plan.value.frames.length} frames, a step of ${formatFigures(plan.value.stepMm, 3)}\u202fmm (${railText(plan.value.railStepsPerFrame)} ${unit.toLowerCase()})`}
          </Txt>
          <Txt kind="small" tone="soft">
            {`${plan.value.seconds < 90 ? `${formatFigures(plan.value.seconds, 2)} s` : `${formatFigures(plan.value.seconds / 60, 2)} min`}${plan.value.cardMb === undefined ? '' : `, ${plan.value.cardMb < 1000 ? `${formatFixed(plan.value.cardMb)} MB` : `${formatFigures(plan.value.cardMb / 1000, 2)} GB`} on the card`}. Start at the nearest point. The subject must hold still: no chilling or gluing for it.`}
          </Txt>
          <Key title="Save the table as CSV" icon="save-alt" onPress={save} />
          <Table
            label="Rail positions"
            takes={false}
            heads={['Frame', 'Position, mm', unit]}
            rows={plan.value.frames.slice(0, MOST_LINES).map((frame) => ({
              key: String(frame.frame),
              cells: [String(frame.frame), formatFixed(frame.positionMm, 3), railText(frame.railSteps)],
            }))}
          />
          {plan.value.frames.length > MOST_LINES ? (
            <Txt tone="soft">{`… and ${plan.value.frames.length - MOST_LINES} more in the file.`}</Txt>
          ) : null}
        </>
      ) : (
        <Txt tone="needle" role="alert">
          {plan.problem.message}
        </Txt>
      )}
    </>
  );
}

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium } as const;
const half = { flexGrow: 1, flexBasis: 140 } as const;
