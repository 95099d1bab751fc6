import { useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';
import { usePreferences } from '@/data/preferences';
import { useSheets } from '@/data/sheets';
import { answerKey } from './singleKeys';

/** Single keys for what one does most, on the whole page; they can be turned off. */
export function useSingleKeys(path: string): void {
  const router = useRouter();
  const on = usePreferences((state) => state.singleKeys);
  const open = useSheets((state) => state.open);
  useEffect(() => {
    if (!on) return;
    const second = path.startsWith('/sky') ? 'site' : 'subject';
    const onKeyDown = (event: KeyboardEvent) => {
      answerKey(
        event,
        (to) => router.push(to as Href),
        (sheet) => open(sheet === 'second' ? second : sheet),
      );
    };
    document.addEventListener('keydown', onKeyDown);
    return () => document.removeEventListener('keydown', onKeyDown);
  }, [on, path, open, router]);
}
