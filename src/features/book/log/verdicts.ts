import type { PictureVerdict } from '@/contract/schemas/pictureGroup';

/** What a person says of a group, in the order of the keys 1 to 5; a mark tells them apart where colours do not. */
export const VERDICTS: readonly { value: PictureVerdict; name: string; mark: string }[] = [
  { value: 'kept', name: 'Kept', mark: '●' },
  { value: 'soft', name: 'Soft', mark: '○' },
  { value: 'small', name: 'Too small', mark: '▽' },
  { value: 'strokes', name: 'Strokes', mark: '–' },
  { value: 'noisy', name: 'Noisy', mark: '∷' },
];

export const verdictOfKey = (key: string): PictureVerdict | null => VERDICTS[Number(key) - 1]?.value ?? null;
