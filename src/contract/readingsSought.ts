/** How the readings of the Book are asked for. */
export interface ReadingsSought {
  /** Words that must all be found in subject, set-up, output or note. */
  search?: string;
  sort: 'newest' | 'oldest' | 'subject' | 'most';
  desk?: 'far' | 'near' | 'stars';
  /** The one with this id, when there is one. */
  id?: string;
  /** Only those of which is noted how they were held. */
  held?: boolean;
}

export const READING_SORTS: readonly ReadingsSought['sort'][] = ['newest', 'oldest', 'subject', 'most'];
export const READING_DESKS = ['far', 'near', 'stars'] as const;
/** Longer than this nobody types what is looked for. */
export const MOST_SEARCH_CHARACTERS = 200;
/** More words than this are not looked for. */
export const MOST_SEARCH_WORDS = 12;
