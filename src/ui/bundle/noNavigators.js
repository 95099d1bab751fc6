// Stands in for the parts of the router that draw stacks, tabs and the map of the site. Its own modules ask for them even
// where only a slot is shown; metro.config.js leaves them out of the bundle.
import { createContext } from 'react';

function Nothing() {
  console.error('A stack, tabs or the site map was drawn, which are not bundled: see NAVIGATORS in metro.config.js');
  return null;
}

export const BottomTabBarHeightContext = createContext(undefined);
export const createNativeStackNavigator = () => ({ Navigator: Nothing });
export const isNativeTabTrigger = () => false;
export const initScreensFeatureFlags = () => undefined;
export const Sitemap = Nothing;
