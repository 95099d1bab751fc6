import { useState } from 'react';
import { View } from 'react-native';
import type { Setup } from '@/contract/schemas/setup';
import { modesOf } from '@/core/kit/parts';
import { foldSystem } from '@/core/optics/foldSystem';
import { showFNumber } from '@/core/quantity/quantityText';
import { formatFigures } from '@/core/quantity/format';
import { systemInputOf, type Kit } from '@/data/situation';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { setupBrief } from './briefs';

interface Props {
  kit: Kit;
  initial: Setup;
  onSave: (setup: Setup) => void;
  onDelete?: () => void;
}

/** A set-up: body, mode, lens and converters, with what they become together shown as one chooses. */
export function SetupForm({ kit, initial, onSave, onDelete }: Props) {
  const [setup, setSetup] = useState(initial);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<Setup>) => setSetup((old) => ({ ...old, ...change }));
  const body = kit.bodies.find((row) => row.id === setup.bodyId)?.data;
  const lensId = setup.chain.find((link) => link.type === 'optic')?.id ?? null;
  const converterIds = setup.chain.filter((link) => link.type === 'adapter').map((link) => link.id);
  const chain = (lens: string | null, converters: string[]): Setup['chain'] => [
    ...(lens ? [{ type: 'optic' as const, id: lens }] : []),
    ...converters.map((id) => ({ type: 'adapter' as const, id })),
  ];
  const input = body && lensId ? systemInputOf(setup, kit) : null;
  const system = input ? foldSystem(input) : null;
  const save = async () => {
    if (!body) return setProblem('Choose a body.');
    if (!lensId) return setProblem('Choose a lens.');
    const named = setup.name.trim() === '' ? { ...setup, name: setupBrief(setup, kit).slice(0, 120) } : setup;
    const { validateResource } = await import('@/contract/validate');
    const result = validateResource('setups', named);
    if (!result.ok) return setProblem(result.errors.map((error) => error.message).join(' '));
    onSave(result.value);
  };
  return (
    <View style={{ gap: space.page }}>
      <TextField label="Name (may stay empty)" value={setup.name} onChange={(name) => set({ name })} />
      <Choice label="Body" options={kit.bodies.map((row) => ({ value: row.id, name: row.data.name }))} value={setup.bodyId || null} onChange={(bodyId) => set({ bodyId, modeId: 'whole' })} />
      {body ? <Choice label="Mode" options={modesOf(body).map((mode) => ({ value: mode.id, name: mode.name }))} value={setup.modeId} onChange={(modeId) => set({ modeId })} /> : null}
      <Choice label="Lens" options={kit.optics.map((row) => ({ value: row.id, name: row.data.name }))} value={lensId} onChange={(id) => set({ chain: chain(id, converterIds) })} />
      {kit.adapters.length ? (
        <View style={{ gap: space.small }}>
          <Txt kind="label" tone="soft">
            Converters behind the lens
          </Txt>
          {kit.adapters.map((row) => {
            const on = converterIds.includes(row.id);
            return (
              <Key
                key={row.id}
                title={`${on ? 'Take out' : 'Put in'} ${row.data.name}`}
                icon={on ? 'remove' : 'add'}
                weight={on ? 'strong' : 'outline'}
                onPress={() => set({ chain: chain(lensId, on ? converterIds.filter((id) => id !== row.id) : [...converterIds, row.id]) })}
              />
            );
          })}
        </View>
      ) : null}
      <NumberField label="Weight of the support (tripod, head)" value={setup.supportWeightG ?? null} unit="none" shownUnit="g" minimum={0} maximum={100_000} optional onChange={(value) => setSetup(({ supportWeightG: _, ...rest }) => (value === null ? rest : { ...rest, supportWeightG: value }))} />
      {system?.ok ? (
        <View role="status">
          <Txt kind="strong">
            Together: {formatFigures(system.value.focalMm.value, 4)}{'\u202f'}mm {showFNumber(system.value.fNumber.value)}, looks like {formatFigures(system.value.equivalentFocalMm.value, 3)}{'\u202f'}mm {showFNumber(system.value.equivalentFNumber.value)} on 36 × 24
          </Txt>
          {system.value.warnings.map((warning) => (
            <Txt key={warning.code} kind="small" tone="caution">
              ⚠ {warning.message}
            </Txt>
          ))}
        </View>
      ) : null}
      {system && !system.ok ? (
        <Txt tone="needle" role="alert">
          {system.problem.message}
        </Txt>
      ) : null}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        <Key title="Save" weight="strong" icon="check" onPress={() => void save()} />
        {onDelete ? <Key title="Delete" weight="plain" icon="delete-outline" onPress={onDelete} /> : null}
      </View>
    </View>
  );
}
