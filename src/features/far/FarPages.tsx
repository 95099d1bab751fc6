import { PageLinks } from '@/ui/PageLinks';

const PAGES = [
  {
    href: '/far/beside',
    name: 'Side by side',
    gloss: 'set-ups from the same spot, at the same framing, as the same picture',
  },
  { href: '/far/detail', name: 'Detail, seen', gloss: 'feather or fur as each set-up would render it' },
  {
    href: '/far/takes',
    name: 'What would it take?',
    gloss: 'the focal length, the distance or the pixels for a wish',
  },
  { href: '/far/plan', name: 'Planner curve', gloss: 'pixels against distance, and from where it is enough' },
  {
    href: '/far/routes',
    name: 'Another way to it',
    gloss: 'every route of the kit to these pixels, and what each gives up',
  },
  { href: '/far/test', name: 'Fair test', gloss: 'what to hold equal when two set-ups are tested' },
] as const;

/** The pages of the Far desk that take more room than a group. */
export const FarPages = () => <PageLinks label="More about far subjects" pages={PAGES} />;
