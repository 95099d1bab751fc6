import { saveFile } from '../files';
import { TakeKeys } from './TakeKeys';

interface Props {
  title: string;
  /** Where the picture lies. */
  uri: string;
}

/** A small key below a rendered picture that takes it along as PNG, pixel for pixel. */
export function TakeImage({ title, uri }: Props) {
  const take = async () => {
    const { fileName, pngOfImage } = await import('./files');
    saveFile(fileName(title, 'png'), await pngOfImage(uri, (image) => [image.naturalWidth, image.naturalHeight]));
  };
  return <TakeKeys what={title} kinds={['PNG']} onTake={take} />;
}
