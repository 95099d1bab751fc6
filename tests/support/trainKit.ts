import type { Part } from '@/core/chain/parts';
import type { TrainKit } from '@/core/train/exercise';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '@/demo/kit';

const partOf = (id: string): Part => {
  const row = [...Object.values(demoOptics), ...Object.values(demoAdapters)].find((each) => each.id === id);
  if (!row) throw new Error(`The demo has no part ${id}.`);
  return row.data as Part;
};

/** What exercises are made from, of the demo's kit: its plain set-ups. */
export const demoTrainKit: TrainKit = {
  bodies: Object.values(demoBodies).map(({ data }) => data),
  setups: Object.values(demoSetups)
    .filter(({ data }) => data.chain.every((link) => !('usedMm' in link) && !('magnificationSet' in link)))
    .map(({ id, data }) => ({
      id,
      name: data.name,
      setup: {
        body: Object.values(demoBodies).find((body) => body.id === data.bodyId)!.data,
        modeId: data.modeId,
        chain: data.chain.map((link) => partOf(link.id)),
        focalMm: data.focalMm,
        supportWeightG: data.supportWeightG,
      },
    })),
  subjects: Object.values(demoSubjects).map(({ data }) => data),
  outputs: Object.values(demoOutputs).map(({ data }) => data),
  parts: [demoAdapters.converter14, demoAdapters.converter20].map(({ id, data }) => ({ id, part: data as Part })),
};
