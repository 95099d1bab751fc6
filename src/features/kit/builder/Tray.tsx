import { View } from 'react-native';
import { KINDS } from '@/core/chain/kinds';
import { type Part, type PartKind } from '@/core/chain/parts';
import type { Kit } from '@/data/situation';
import { Group } from '@/ui/Group';
import { sameMount } from '@/core/chain/mounts';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { partBrief } from '../kinds';
import type { ChainRow } from '@/data/hand';
import { TrayPart } from './ChainStrip';

/** Shelves by where a part goes. */
const SHELVES: { title: string; holds: (kind: PartKind) => boolean }[] = [
  { title: 'Lenses and telescopes', holds: (kind) => KINDS[kind].place === 'main' && KINDS[kind].shelf === 'optic' },
  { title: 'Behind the lens', holds: (kind) => KINDS[kind].place === 'back' },
  {
    title: 'In front of it',
    holds: (kind) => KINDS[kind].place !== 'back' && !(KINDS[kind].place === 'main' && KINDS[kind].shelf === 'optic'),
  },
];

/** A tray part is told by its type and id in one string. */
export const trayId = (link: ChainRow): string => `${link.type}:${link.id}`;
export function linkOfTray(id: string): ChainRow {
  const [type, ...rest] = id.split(':');
  return { type: type === 'optic' ? 'optic' : 'adapter', id: rest.join(':') };
}

/** The kit's parts, on three shelves by where they go. */
export function Tray({
  kit,
  mount,
  empty,
  onAdd,
  awaitsCamera,
}: {
  kit: Kit;
  mount: string | undefined;
  empty: boolean;
  onAdd: (...links: ChainRow[]) => void;
  /** A spotting scope is in the chain and no camera looks through it yet. */
  awaitsCamera: boolean;
}) {
  const parts = [...kit.optics, ...kit.adapters]
    .filter((row) => !row.data.retired)
    .map((row) => ({
      part: row.data as Part,
      link: { type: KINDS[row.data.kind].shelf, id: row.id },
    }));
  // What mounts on the body comes first: it is what one looks for.
  const fits = (part: Part) =>
    part.mount === undefined || mount === undefined ? 1 : sameMount(part.mount, mount) ? 0 : 2;
  const holder = parts.find(({ part }) => part.kind === 'afocal');
  const phones = awaitsCamera && holder ? parts.filter(({ part }) => part.kind === 'builtIn') : [];
  return (
    <View>
      {holder && phones.length ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
          {phones.map(({ part, link }) => (
            <Key
              key={link.id}
              title={`${part.name} behind the eyepiece, with ${holder.part.name}`}
              icon="add-a-photo"
              onPress={() => onAdd(link, holder.link)}
            />
          ))}
        </View>
      ) : null}
      {SHELVES.map(({ title, holds }, i) => {
        const here = parts.filter(({ part }) => holds(part.kind)).sort((a, b) => fits(a.part) - fits(b.part));
        return (
          <Group
            key={title}
            title={title}
            brief={here.length ? `${here.length} in the kit` : 'none in the kit'}
            startsOpen={empty ? i === 0 : false}
          >
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
              {here.map(({ part, link }) => (
                <TrayPart
                  key={link.id}
                  id={trayId(link)}
                  name={part.name}
                  brief={partBrief(part)}
                  onAdd={() => onAdd(link)}
                />
              ))}
              {here.length === 0 ? (
                <Txt kind="small" tone="soft">
                  Add some on the Kit page.
                </Txt>
              ) : null}
            </View>
          </Group>
        );
      })}
    </View>
  );
}
