import { View } from 'react-native';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { camerasCompared, type Recording } from '@/core/sky/cameras';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import type { ReadySky } from '../useSkyDesk';

/** The same optics on every body of the kit: what a recording would be. */
export function Cameras({ desk, discArcsec, recording }: { desk: ReadySky; discArcsec: number; recording: Recording }) {
  const { kit, situation } = desk;
  const bodies = kit.bodies.flatMap((row) => (row.data.retired ? [] : [{ id: row.id, body: row.data }]));
  const rows = camerasCompared(situation.setup, bodies, discArcsec, recording, situation.convention);
  const held = situation.setupRow.data.bodyId;
  return (
    <View style={{ gap: space.small }}>
      <Table
        label="Cameras compared"
        heads={['Body', 'Disc, px', 'Window']}
        rows={rows.map((row) => ({
          key: row.id,
          cells: [
            row.name,
            formatFixed(row.discPx),
            row.window ? `${row.window.columns} × ${row.window.rows}` : 'whole',
          ],
          strong: row.id === held,
        }))}
      />
      <Table
        label="What they record"
        heads={['Body', 'Frames/s', 'Compressed', 'Weight']}
        rows={rows.map((row) => ({
          key: row.id,
          cells: [
            row.name,
            formatFigures(row.framesPerSecond, 3),
            row.packed,
            row.weightG === undefined ? '?' : `${formatFixed(row.weightG)}\u202fg`,
          ],
          strong: row.id === held,
        }))}
      />
      <Txt kind="small" tone="soft">
        What counts is the disc’s pixels and how many sharp frames come in before it turns. A small camera reads a
        window fast and keeps every bit, and weighs little; a photographic one enlarges nothing by its large sensor,
        compresses its video, and needs a firmer mount, but one has it already, and it takes the Moon whole.
      </Txt>
    </View>
  );
}
