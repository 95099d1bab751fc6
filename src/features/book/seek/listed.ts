import type { Entry, Section } from '@/core/seek/entry';

/** A line of the list: a heading, or what stands under it while it is open. */
export type Listed = { key: string; section: Section; open: boolean } | { key: string; entry: Entry };

/**
 * Headings with what stands under those that are open.
 *
 * @param opened names of the open ones; null where all are
 */
export const listed = (all: readonly Section[], opened: ReadonlySet<string> | null): Listed[] =>
  all.flatMap((section): Listed[] => {
    const open = opened === null || opened.has(section.name);
    const heading = { key: `# ${section.name}`, section, open };
    return open
      ? [heading, ...section.entries.map((entry) => ({ key: `${entry.kind} ${entry.id}`, entry }))]
      : [heading];
  });
