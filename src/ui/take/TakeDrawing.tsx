import { useRef, type ReactNode } from 'react';
import { View } from 'react-native';
import { saveFile } from '../files';
import { elementOf } from '../web';
import { usePalette } from '../theme/theme';
import { TakeKeys } from './TakeKeys';

interface Props {
  /** What it shows; names the file too. */
  title: string;
  children: ReactNode;
}

/** A drawing with small keys beside it that take it along as SVG or PNG. */
export function TakeDrawing({ title, children }: Props) {
  const palette = usePalette();
  const host = useRef<View>(null);
  const take = async (kind: 'svg' | 'png') => {
    const svg = elementOf(host)?.querySelector('svg');
    if (!svg) return;
    const [{ drawingOf }, files] = await Promise.all([import('./drawing'), import('./files')]);
    const make = kind === 'svg' ? files.svgBlob : files.pngBlob;
    saveFile(files.fileName(title, kind), await make(drawingOf(svg), title, palette.paper));
  };
  return (
    <View ref={host}>
      {children}
      <TakeKeys what={title} kinds={['SVG', 'PNG']} onTake={(kind) => take(kind === 'SVG' ? 'svg' : 'png')} />
    </View>
  );
}
