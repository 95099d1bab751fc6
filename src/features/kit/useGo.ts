import { useRouter, type Href } from 'expo-router';

/** Goes to a page; whatever was open above the desk is closed first. */
export function useGo(before?: () => void): (path: string) => void {
  const router = useRouter();
  return (path) => {
    before?.();
    router.push(path as Href);
  };
}
