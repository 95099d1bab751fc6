import type { ComponentType } from 'react';
import { lazyPart } from '@/ui/lazyPart';
import { FarDesk } from './far/FarDesk';

interface PageOfPlace {
  /** What the browser's tab says. */
  title: string;
  View: ComponentType;
}

/** A part of the application that is fetched when its page is first opened. */
const later = (title: string, load: () => Promise<{ default: ComponentType }>): PageOfPlace => ({
  title,
  View: lazyPart(load),
});

/** All Sky desks come as one part: they share the ephemeris and the time zones. */
const sky = (title: string, name: Exclude<keyof typeof import('./sky/desks'), 'SiteSheet'>): PageOfPlace =>
  later(title, () => import('./sky/desks').then((desks) => ({ default: desks[name] })));

/** Every page that stands at a fixed address, by that address. What the first view does not need comes when it is opened. */
const PAGES: Record<string, PageOfPlace> = {
  '/far': { title: 'Far', View: FarDesk },
  '/far/beside': later('Side by side', () => import('./far/pages/BesidePage')),
  '/far/detail': later('Detail', () => import('./far/pages/DetailPage')),
  '/far/takes': later('What would it take?', () => import('./far/pages/TakesPage')),
  '/far/plan': later('Planner curve', () => import('./far/pages/PlanPage')),
  '/far/routes': later('Another way', () => import('./far/pages/RoutesPage')),
  '/far/test': later('Fair test', () => import('./far/pages/FairTestPage')),
  '/near': later('Near', () => import('./near/NearDesk')),
  '/near/sizes': later('Three sizes', () => import('./near/pages/SizesPage')),
  '/near/plan': later('Plan for a ratio', () => import('./near/pages/RatioPlanPage')),
  '/near/aperture': later('Which f-number', () => import('./near/pages/AperturePage')),
  '/near/stack': later('Focus stack', () => import('./near/pages/StackPage')),
  '/near/sensors': later('Sensors compared', () => import('./near/pages/SensorsPage')),
  '/near/measure': later('Measure the ratio', () => import('./near/pages/MeasurePage')),
  '/sky': sky('Stars', 'StarsDesk'),
  '/sky/planets': sky('Planets', 'PlanetsDesk'),
  '/sky/deep': sky('Deep sky', 'DeepDesk'),
  '/sky/night': sky('Night', 'NightDesk'),
  '/sky/schools': sky('Schools side by side', 'SchoolsPage'),
  '/sky/series': sky('Test series', 'SeriesPage'),
  '/sky/strokes': sky('Wanted strokes', 'StrokesPage'),
  '/bench': later('Bench', () => import('./bench/BenchHome')),
  '/bench/charts': later('Charts to photograph', () => import('./bench/ChartsPage')),
  '/book': later('Book', () => import('./book/BookHome')),
  '/book/eye': later('Train the eye', () => import('./book/eye/EyePage')),
  '/book/seek': later('Seek and see', () => import('./book/seek/SeekPage')),
  '/book/says': later('What the Book says', () => import('./book/says/SaysPage')),
  '/book/outings': later('Outings', () => import('./book/outings/OutingsHome')),
  '/kit': later('Kit', () => import('./kit/KitHome')),
  '/kit/bring': later('In and out', () => import('./kit/bring/BringPage')),
  '/kit/along': later('Take it along', () => import('./kit/along/AlongPage')),
  '/kit/compare': later('Compare', () => import('./kit/compare/CompareKit')),
};

/** The page at an address, if there is one. */
export const pageAt = (path: string): PageOfPlace | undefined => (Object.hasOwn(PAGES, path) ? PAGES[path] : undefined);
