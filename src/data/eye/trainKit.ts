import type { TrainKit } from '@/core/train/exercise';
import { systemInputOf, type Kit } from '../situation';

/** What exercises are made from: all of the kit that is neither retired nor only wished for. */
export function trainKitOf(kit: Kit): TrainKit {
  const own = ({ data }: { data: { retired?: boolean | undefined; wish?: boolean | undefined } }) =>
    !data.retired && !data.wish;
  return {
    bodies: kit.bodies.filter(own).map(({ data }) => data),
    setups: kit.setups.flatMap(({ id, data }) => {
      const setup = data.retired ? null : systemInputOf(data, kit);
      return setup ? [{ id, name: data.name, setup }] : [];
    }),
    subjects: kit.subjects.map(({ data }) => data),
    outputs: kit.outputs.map(({ data }) => data),
    parts: kit.adapters.filter(own).map(({ id, data }) => ({ id, part: data })),
  };
}
