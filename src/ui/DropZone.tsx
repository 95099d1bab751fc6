import { fromEvent, type FileWithPath } from 'file-selector';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { elementOf } from './web';
import { View } from 'react-native';
import { space } from './theme/measures';
import { stylesOf } from './theme/theme';

/** All files that were dropped, those within folders too. */
const filesIn = async (event: DragEvent): Promise<File[]> =>
  (await fromEvent(event)).filter((each): each is FileWithPath => each instanceof File);

/** A field a file can be dropped on. What is dropped beside it stays where it was. */
export function DropZone({
  label,
  onFile,
  onFiles = ([file]) => file && onFile?.(file),
  children,
}: {
  label: string;
  /** Takes the first of what is dropped. */
  onFile?: (file: File) => void;
  /** Takes all of it. */
  onFiles?: (files: File[]) => void;
  children: ReactNode;
}) {
  const styles = useStyles();
  const host = useRef<View>(null);
  const latest = useRef(onFiles);
  const [over, setOver] = useState(false);
  useEffect(() => {
    latest.current = onFiles;
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
      void filesIn(event).then((files) => {
        if (files.length) latest.current(files);
      });
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
