import { useMemo, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { Setup } from '@/contract/schemas/setup';
import type { Mend } from '@/core/chain/kind';
import { chainSteps } from '@/core/chain/steps';
import { focalTable } from '@/core/kit/focalTable';
import { modesOf } from '@/core/kit/body';
import { setupChecks } from '@/core/kit/setupChecks';
import { foldSystem } from '@/core/optics/foldSystem';
import { quantityText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { systemInputOf, type Kit } from '@/data/situation';
import { SensorDrawing } from '@/ui/finder/SensorDrawing';
import { Group } from '@/ui/Group';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useNeighbourFocus } from '@/ui/useNeighbourFocus';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { partsName } from '../setupName';
import { Checks } from './Checks';
import { ChainStrip } from './ChainStrip';
import { Steps } from './Steps';
import { Together } from './Together';
import { Tray, linkOfTray } from './Tray';
import { addToChain, chainItems, moveInChain } from './chainEdit';
import type { ChainRow } from '@/data/hand';
import { useSetupDraft } from './useSetupDraft';
import { useWhy } from '../../desk/useWhy';

interface Props {
  kit: Kit;
  /** The set-up to change; null: a new one. */
  row: StoredOf<'setups'> | null;
  onSave: (setup: Setup) => void;
  onDelete?: () => void;
  onDuplicate?: (setup: Setup) => void;
}

const EMPTY: Setup = { name: '', bodyId: '', modeId: 'whole', chain: [] };

/** Builds a set-up: the chain as a drawing, what each part changes, what they become together, and what to watch out for. */
export function SetupBuilder({ kit, row, onSave, onDelete, onDuplicate }: Props) {
  const styles = useStyles();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = usePreferences((state) => state.units);
  const convention = usePreferences((state) => state.cropConvention);
  const { setup, restored, change, startAfresh, done } = useSetupDraft(
    `setups:${row?.id ?? 'new'}`,
    row?.data ?? { ...EMPTY, bodyId: kit.bodies.find((each) => !each.data.retired)?.id ?? '' },
  );
  const [selected, setSelected] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { ask, sheetFor } = useWhy();

  const body = kit.bodies.find((each) => each.id === setup.bodyId)?.data;
  const items = useMemo(() => chainItems(setup.chain, kit), [setup.chain, kit]);
  const input = useMemo(() => systemInputOf(setup, kit), [setup, kit]);
  const folded = useMemo(() => (input ? foldSystem(input, convention) : null), [input, convention]);
  const steps = useMemo(() => (folded?.ok ? chainSteps(folded.value.optics, folded.value.chain) : []), [folded]);
  const checks = useMemo(
    () =>
      folded && setup.chain.length
        ? setupChecks(
            folded,
            kit.adapters.map((each) => each.data),
            units,
          )
        : [],
    [folded, setup.chain.length, kit.adapters, units],
  );
  const rows = useMemo(() => (input ? focalTable(input, convention) : []), [input, convention]);
  const system = folded?.ok ? folded.value : null;

  const setChain = (chain: ChainRow[]) => {
    setProblem(null);
    change({ chain });
  };
  const mend = (move: Mend) => {
    if (move.does === 'mode') return change({ modeId: move.modeId });
    if (move.does === 'order') return setChain(move.order.flatMap((at) => setup.chain[at] ?? []));
    const found = kit.adapters.find((each) => each.data.name === move.name && !each.data.retired);
    if (found) setChain(addToChain(setup.chain, { type: 'adapter', id: found.id }, kit));
  };
  const leaves = useNeighbourFocus(setup.chain.length, () => document.querySelector('[aria-label^="Add "]'));
  const remove = (index: number) => {
    leaves(index);
    setChain(setup.chain.filter((_, i) => i !== index));
  };
  // Not named by the person, it is named after its parts, and stays so when they change.
  const afterParts = setup.namedAfterParts === true || setup.name.trim() === '';
  const named = (): Setup => (afterParts ? { ...setup, name: partsName(setup, kit), namedAfterParts: true } : setup);
  const checked = async (then: (setup: Setup) => void) => {
    if (!body) return setProblem('Choose a body.');
    if (items.some((item) => item.part === null))
      return setProblem('A part of this chain is no longer in the kit. Take it out.');
    const part = await partOrNull(() => import('@/contract/validate'));
    if (!part) return setProblem(MISSING_PART);
    const result = part.validateResource('setups', named());
    if (!result.ok) return setProblem(result.errors.map((error) => error.message).join(' '));
    if (folded && !folded.ok) return setProblem(folded.problem.message);
    done();
    then(result.value);
  };

  const drawingWidth = Math.min(wide ? width - 320 - 348 - 84 - 2 * space.page : width - 2 * space.page, 620);
  const lens = system?.lens;

  const kinds = items.map(({ part }) => part?.kind);
  const awaitsCamera = kinds.includes('scope') && !kinds.includes('afocal') && !kinds.includes('builtIn');

  const strip = (
    <ChainStrip
      items={items}
      bodyName={body?.name ?? 'none yet'}
      selected={selected}
      onSelect={(key) => setSelected(key === selected ? null : key)}
      onMove={(from, to) => setChain(moveInChain(setup.chain, from, to, kit))}
      onRemove={remove}
      onInsert={(id, index) => setChain([...setup.chain.slice(0, index), linkOfTray(id), ...setup.chain.slice(index)])}
    >
      <Tray
        kit={kit}
        mount={body?.mount}
        empty={setup.chain.length === 0}
        awaitsCamera={awaitsCamera}
        onAdd={(...links) => setChain(links.reduce((chain, link) => addToChain(chain, link, kit), setup.chain))}
      />
    </ChainStrip>
  );
  const together = system ? (
    <>
      <Together system={system} rows={rows} units={units} onWhy={ask} />
      {system.imageCircleMm ? (
        <View style={{ alignItems: 'center' }}>
          <TakeDrawing title="Image circle on the sensor">
            <SensorDrawing
              frames={[
                { name: body?.name ?? '', ...sizeOf(system.body.sensor) },
                ...(system.mode.id === 'whole'
                  ? []
                  : [
                      {
                        name: system.mode.name,
                        widthMm: system.used.widthMm,
                        heightMm: system.used.heightMm,
                        strong: true,
                      },
                    ]),
              ]}
              circleMm={system.imageCircleMm.value}
              width={drawingWidth}
              maxHeight={wide ? 300 : 220}
              description={`Image circle of ${quantityText(system.imageCircleMm, units)} on the sensor`}
            />
          </TakeDrawing>
          <Txt kind="fine" tone="soft">
            - - - image circle; what it does not reach is shaded
          </Txt>
        </View>
      ) : null}
    </>
  ) : null;
  const judgement = (
    <>
      {setup.chain.length ? <Checks checks={checks} onMend={mend} /> : null}
      <Steps
        items={items}
        steps={steps}
        units={units}
        selected={selected}
        onChange={(i, link) => setChain(setup.chain.map((each, j) => (j === i ? link : each)))}
        onRemove={remove}
      />
    </>
  );
  const choices = (
    <>
      <Choice
        label="Body"
        options={kit.bodies
          .filter((each) => !each.data.retired || each.id === setup.bodyId)
          .map((each) => ({ value: each.id, name: each.data.name }))}
        value={setup.bodyId || null}
        onChange={(bodyId) => change({ bodyId, modeId: 'whole' })}
      />
      {body && modesOf(body).length > 1 ? (
        <Choice
          label="Mode"
          options={modesOf(body).map((mode) => ({ value: mode.id, name: mode.name }))}
          value={setup.modeId}
          onChange={(modeId) => change({ modeId })}
        />
      ) : null}
      {lens && lens.focalTeleMm > lens.focalWideMm ? (
        <NumberField
          label="Focal length set"
          value={setup.focalMm ?? lens.focalTeleMm}
          unit="mm"
          shownUnit="mm"
          minimum={lens.focalWideMm}
          maximum={lens.focalTeleMm}
          onChange={(focalMm) => focalMm !== null && change({ focalMm })}
        />
      ) : null}
    </>
  );
  const naming = (
    <>
      <TextField
        label="Name (may stay empty)"
        value={afterParts ? '' : setup.name}
        onChange={(name) => change({ name, namedAfterParts: name.trim() === '' ? true : undefined })}
        placeholder={setup.chain.length ? partsName(setup, kit) : ''}
      />
      <NumberField
        label="Weight of the support (tripod, head)"
        value={setup.supportWeightG ?? null}
        unit="none"
        shownUnit="g"
        minimum={0}
        maximum={100_000}
        optional
        onChange={(value) => change({ supportWeightG: value ?? undefined })}
      />
    </>
  );
  const keys = (
    <View style={{ gap: space.small }}>
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
      <View style={styles.keys}>
        <Key title="Save" weight="strong" icon="check" onPress={() => void checked(onSave)} />
        {onDuplicate ? <Key title="Save as a copy" onPress={() => void checked(onDuplicate)} /> : null}
        {onDelete ? (
          <Key
            title="Delete"
            weight="plain"
            icon="delete-outline"
            onPress={() => {
              done();
              onDelete();
            }}
          />
        ) : null}
      </View>
    </View>
  );
  const draft = restored ? (
    <View style={styles.keys} role="status">
      <Txt kind="small" tone="caution">
        What you built last time is still here, not saved yet.
      </Txt>
      <Key title="Start afresh" weight="plain" onPress={startAfresh} />
    </View>
  ) : null;
  const sheet = sheetFor(system);

  if (wide) {
    return (
      <View style={styles.columns}>
        <ScrollView style={styles.left} contentContainerStyle={styles.content}>
          {draft}
          {choices}
          {naming}
          {keys}
        </ScrollView>
        <ScrollView style={styles.middle} contentContainerStyle={styles.content}>
          {strip}
          {together}
        </ScrollView>
        <ScrollView style={styles.right} contentContainerStyle={styles.content}>
          {judgement}
        </ScrollView>
        {sheet}
      </View>
    );
  }
  return (
    <View style={styles.phone}>
      <ScrollView style={styles.middle} contentContainerStyle={styles.content}>
        {draft}
        {strip}
        <Group
          title="Body and mode"
          brief={[body?.name ?? 'none yet', system?.mode.name ?? ''].filter((word) => word !== '').join(', ')}
          startsOpen={!body}
        >
          <View style={{ gap: space.large }}>{choices}</View>
        </Group>
        {judgement}
        {together}
        {naming}
      </ScrollView>
      <View style={styles.bar}>{keys}</View>
      {sheet}
    </View>
  );
}

const sizeOf = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => ({ widthMm, heightMm, strong: true });

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  left: { width: 320, flexGrow: 0, borderRightWidth: 1, borderColor: palette.hairline },
  right: { width: 348, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  middle: { flex: 1 },
  phone: { flex: 1 },
  content: { padding: space.page, gap: space.page },
  keys: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium },
  bar: {
    paddingHorizontal: space.page,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.paper,
  },
}));
