import { useSheets } from '@/data/sheets';
import type { Missing } from '@/data/situation';
import { DeskMessage } from '@/ui/DeskFrame';
import { Opening } from '@/ui/Opening';
import { Key } from '@/ui/controls/Key';
import { lazyPart } from '@/ui/lazyPart';
import type { DeskWaiting } from './useDesk';

// The way to a first reading is not needed once there is one.
const StartGuide = lazyPart(() => import('../start/StartGuide'));

/** What a desk says of each thing that is not there yet, the key that brings it, and the sheet it opens. */
const MISSING: Record<Missing, { text: string; key: string; sheet: 'setup' | 'subject' }> = {
  setup: {
    text: 'No set-up yet. Choose your body’s format and megapixels, add a lens, and the reading starts.',
    key: 'Start with a body',
    sheet: 'setup',
  },
  parts: {
    text: 'A part of this set-up is gone. Choose or change the set-up.',
    key: 'Choose a set-up',
    sheet: 'setup',
  },
  subject: {
    text: 'No subject yet. Name what you want to photograph: its kind, its size, and how far away it is.',
    key: 'Add a subject',
    sheet: 'subject',
  },
  output: {
    text: 'Nothing says what the picture is for. Add an output, such as a web page or a print.',
    key: 'Add an output',
    sheet: 'subject',
  },
};

/** Stands in for a desk that has nothing to show yet: what is missing, and the way on. */
export function DeskGate({ desk }: { desk: DeskWaiting }) {
  const open = useSheets((state) => state.open);
  if (desk.status === 'loading') return <DeskMessage text="Reading the kit …" />;
  if (desk.status === 'failed')
    return (
      <DeskMessage text="The server cannot be reached, so there is no kit to read. Start it again, then try again.">
        <Key title="Try again" weight="strong" onPress={desk.retry} />
      </DeskMessage>
    );
  if (desk.missing === 'setup')
    return (
      <Opening>
        <StartGuide />
      </Opening>
    );
  const { text, key, sheet } = MISSING[desk.missing];
  return (
    <DeskMessage text={text}>
      <Key title={key} weight="strong" onPress={() => open(sheet)} />
    </DeskMessage>
  );
}

/** The same in a line, for the pages below a desk. */
export function waitingText(desk: DeskWaiting): string {
  if (desk.status === 'loading') return 'Opening …';
  return desk.status === 'failed' ? 'The server cannot be reached.' : MISSING[desk.missing].text;
}
