import { useEffect, useRef, useState, type ReactNode } from 'react';
import { elementOf } from '@/ui/web';
import { View } from 'react-native';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** A field a file can be dropped on. What is dropped beside it stays where it was. */
export function DropZone({
  label,
  onFile,
  children,
}: {
  label: string;
  onFile: (file: File) => void;
  children: ReactNode;
}) {
  const styles = useStyles();
  const host = useRef<View>(null);
  const latest = useRef(onFile);
  const [over, setOver] = useState(false);
  useEffect(() => {
    latest.current = onFile;
  });
  useEffect(() => {
    const element = elementOf(host);
    if (!element || typeof element.addEventListener !== 'function') return;
    const onOver = (event: DragEvent) => {
      event.preventDefault();
      setOver(true);
    };
    const onLeave = () => setOver(false);
    const onDrop = (event: DragEvent) => {
      event.preventDefault();
      setOver(false);
      const file = event.dataTransfer?.files[0];
      if (file) latest.current(file);
    };
    element.addEventListener('dragover', onOver);
    element.addEventListener('dragleave', onLeave);
    element.addEventListener('drop', onDrop);
    return () => {
      element.removeEventListener('dragover', onOver);
      element.removeEventListener('dragleave', onLeave);
      element.removeEventListener('drop', onDrop);
    };
  }, []);
  return (
    <View ref={host} role="group" aria-label={label} style={[styles.zone, over && styles.over]}>
      {children}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  zone: {
    gap: space.medium,
    padding: space.page,
    borderWidth: 1,
    borderStyle: 'dashed',
    borderColor: palette.inkSoft,
    alignItems: 'flex-start',
  },
  over: { borderColor: palette.press, borderStyle: 'solid', backgroundColor: palette.raised },
}));
