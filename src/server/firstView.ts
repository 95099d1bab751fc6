import { readFar } from '@/core/far/readFar';
import type { Part } from '@/core/chain/parts';
import { foldSystem } from '@/core/optics/foldSystem';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { showLengthM, showQuantity, shownText } from '@/core/quantity/quantityText';
import type { Store } from './store';

/** The texts of a reading, as the page shows them before the application runs. */
export interface FirstView {
  setup: string;
  subject: string;
  pixels: string;
  resolved: string;
  verdict: string;
}

/**
 * Reads what the desk opens with: the first set-up, subject and output. Null when one is missing or cannot be read; the
 * application then says what to do.
 */
export async function firstView(store: Store): Promise<FirstView | null> {
  const [setups, subjects, outputs] = await Promise.all([
    store.list('setups', 1, 0),
    store.list('subjects', 1, 0),
    store.list('outputs', 1, 0),
  ]);
  const setup = setups.items[0]?.data;
  const subject = subjects.items[0]?.data;
  const output = outputs.items[0]?.data;
  if (!setup || !subject || !output) return null;
  const body = (await store.get('bodies', setup.bodyId)).data;
  const chain = await Promise.all(
    setup.chain.map(async (link): Promise<Part> =>
      link.type === 'optic' ? (await store.get('optics', link.id)).data : (await store.get('adapters', link.id)).data,
    ),
  );
  const system = foldSystem({ ...setup, body, chain });
  if (!system.ok) return null;
  const reading = readFar({ system: system.value, subject, distanceM: subject.distanceM, output });
  if (!reading.ok || reading.value.obstacle || reading.value.overflow) return null;
  const { pixelsOnSubject, resolvedPixels, verdict } = reading.value;
  return {
    setup: setup.name,
    subject: `${subject.name} at ${shownText(showLengthM(subject.distanceM, 'metric'))}`,
    pixels: showQuantity(pixelsOnSubject, 'metric').number,
    resolved: showQuantity(resolvedPixels, 'metric').number,
    verdict: `${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](output.name)}`,
  };
}

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign] ?? sign);

/** The reading as a piece of the page; `public/first.js` puts the person's own last reading in its place. */
export function firstViewHtml(view: FirstView): string {
  const field = (name: keyof FirstView, className: string) =>
    `<span class="${className}" data-first="${name}">${escaped(view[name])}</span>`;
  return `<div id="first-view"><p class="first-slate">${field('setup', 'first-name')}${field('subject', 'first-name')}</p><p>${field('pixels', 'first-huge')} px on the subject</p><p>${field('resolved', 'first-large')} px resolved</p><p>${field('verdict', 'first-verdict')}</p></div>`;
}
