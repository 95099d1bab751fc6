import { useEffect, useRef } from 'react';
import { Pressable } from 'react-native';
import { Txt } from '@/ui/Txt';
import { TARGET } from '@/ui/theme/measures';

interface Props {
  /** Whether the second is seen now. */
  second: boolean;
  onSecond: (is: boolean) => void;
}

const inField = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('input, textarea') !== null;

/** Shows the second picture as long as it is held, by a finger or by the key X: what jumps is different. */
export function Blink({ second, onSecond }: Props) {
  const tell = useRef(onSecond);
  useEffect(() => {
    tell.current = onSecond;
  }, [onSecond]);
  useEffect(() => {
    // Where there is no keyboard there is nothing to listen to.
    if (typeof document === 'undefined') return undefined;
    const down = (event: KeyboardEvent) => {
      const plain = !event.repeat && !event.metaKey && !event.ctrlKey && !event.altKey;
      if (event.key === 'x' && plain && !inField(event.target)) tell.current(true);
    };
    const up = (event: KeyboardEvent) => {
      if (event.key === 'x' && !inField(event.target)) tell.current(false);
    };
    document.addEventListener('keydown', down);
    document.addEventListener('keyup', up);
    return () => {
      document.removeEventListener('keydown', down);
      document.removeEventListener('keyup', up);
    };
  }, []);
  return (
    <Pressable
      role="button"
      aria-label="Blink: hold to see the second, or hold the key X"
      onPressIn={() => onSecond(true)}
      onPressOut={() => onSecond(false)}
      style={{ minHeight: TARGET, justifyContent: 'center' }}
      testID="blink"
    >
      <Txt kind="strong" tone="press">
        {second ? 'This is the second' : 'Hold to blink'}
      </Txt>
    </Pressable>
  );
}
