// All Sky desks and their sheet in one part of the application: they share the ephemeris and the time zones, which would
// otherwise be fetched with the first view.
export { default as DeepDesk } from './deep/DeepDesk';
export { default as NightDesk } from './NightDesk';
export { default as PlanetsDesk } from './planets/PlanetsDesk';
export { default as SiteSheet } from './SiteSheet';
export { default as StarsDesk } from './StarsDesk';
export { default as SchoolsPage } from './pages/SchoolsPage';
export { default as SeriesPage } from './pages/SeriesPage';
export { default as StrokesPage } from './pages/StrokesPage';
